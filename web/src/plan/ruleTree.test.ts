import { describe, expect, it } from 'vitest';
import type { RuleNode } from '../api/client';
import { plainRule } from './edits';
import { addTo, askNode, atOnce, jointNode, nextJoint, takeOut, waitAfter } from './ruleTree';

const ask = (says: string): RuleNode =>
  askNode({ leaf: { is: 'seen', step: 1 }, subject: '', says });

describe('editing a rule', () => {
  it('makes all of two out of one question and another', () => {
    const [a, b] = [ask('a'), ask('b')];
    const both = addTo(a, undefined, b);
    expect(both.is).toBe('all');
    expect(both.parts).toEqual([a, b]);
    expect(addTo(undefined, undefined, a)).toBe(a);
  });

  it('goes back to one question when the other is taken out', () => {
    const [a, b] = [ask('a'), ask('b')];
    expect(takeOut(addTo(a, undefined, b), b.id)).toEqual(a);
    expect(takeOut(a, a.id)).toBeUndefined();
  });

  it('keeps none of one, which is not the same as the one', () => {
    const [a, b] = [ask('a'), ask('b')];
    expect(takeOut(jointNode('none', [a, b]), b.id)?.is).toBe('none');
  });

  it('waits some days after a condition, stays one condition, and goes with it', () => {
    const [a, b] = [ask('a'), ask('b')];
    const wait = waitAfter(a);
    expect(plainRule(wait)).toEqual({
      is: 'after',
      id: wait.id,
      days: 7,
      part: { is: 'ask', id: a.id, leaf: a.leaf },
    });
    const both = addTo(wait, undefined, b);
    expect(both.is).toBe('all');
    expect(takeOut(both, b.id)).toEqual(wait);
    expect(takeOut(both, a.id)).toEqual(b);
    expect(atOnce(wait)).toBe(a);
  });

  it('never asks for more parts than there are', () => {
    const [a, b, c] = [ask('a'), ask('b'), ask('c')];
    expect(takeOut(jointNode('at-least', [a, b, c], 3), c.id)?.n).toBe(2);
  });

  it('goes through all, any, at least 2 and none with three parts, and without numbers with two', () => {
    let node = jointNode('all', [ask('a'), ask('b'), ask('c')]);
    const words: string[] = [];
    for (let i = 0; i < 4; i++) {
      node = nextJoint(node);
      words.push(node.is + (node.n || ''));
    }
    expect(words).toEqual(['any', 'at-least2', 'none', 'all']);
    expect(nextJoint(jointNode('any', [ask('a'), ask('b')])).is).toBe('none');
  });

  it('is stored without what people read', () => {
    const a = ask('read');
    expect(plainRule(jointNode('any', [a]))).toMatchObject({
      is: 'any',
      parts: [{ is: 'ask', id: a.id, leaf: { is: 'seen' } }],
    });
    expect(plainRule(a)).not.toHaveProperty('says');
  });
});
