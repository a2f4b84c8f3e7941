import { beforeEach, describe, expect, it } from 'vitest';
import { endSession } from '../../ui/session';
import { asLeft, drop, editOf, leftAs, note, type Whose } from './lastEdits';
import type { Way } from './way';

const away: Way = { goes: 'away', things: [{ part: 'steps', id: 7, version: 1 }] };
const renamed = (to: string): Way => ({
  goes: 'fields',
  part: 'steps',
  id: 7,
  fields: { from: { name: to }, to: { name: 'Before' } },
});

describe('the last edits', () => {
  let whose: Whose;
  beforeEach(() => {
    localStorage.clear();
    whose = { person: 1, course: (whose?.course ?? 0) + 1 };
  });
  const version = () => (asLeft(whose, away) as typeof away & { goes: 'away' }).things[0]?.version;

  it('take away what was added in the version in which its maker left it', () => {
    note(whose, { did: 'added', part: 'steps', name: 'Chain' }, away);
    leftAs(whose, { part: 'steps', id: 7, version: 2 });
    leftAs(whose, { part: 'steps', id: 7, version: 3 });
    expect(version()).toBe(3);
  });

  it('keep the version from before somebody else’s change, so that theirs is not taken away', () => {
    note(whose, { did: 'added', part: 'steps', name: 'Chain' }, away);
    leftAs(whose, { part: 'steps', id: 7, version: 2 });
    leftAs(whose, { part: 'steps', id: 7, version: 4 });
    leftAs(whose, { part: 'steps', id: 7, version: 5 });
    expect(version()).toBe(2);
  });

  it('are those of one person in one course', () => {
    note(whose, { did: 'changed', part: 'steps', name: 'Chain', fields: ['name'] }, renamed('a'));
    expect(editOf({ ...whose, person: 2 })).toBeUndefined();
    expect(editOf({ ...whose, course: 900 })).toBeUndefined();
    expect(editOf(whose)?.name).toBe('Chain');
  });

  it('are found by their keys, or the last of them', () => {
    const first = note(whose, { did: 'changed', part: 'steps', name: 'A' }, renamed('a'));
    note(whose, { did: 'changed', part: 'steps', name: 'B' }, renamed('b'));
    expect(editOf(whose)?.name).toBe('B');
    expect(editOf(whose, first)?.name).toBe('A');
    drop(whose, first);
    expect(editOf(whose, first)).toBeUndefined();
  });

  it('give up the oldest where there is no room, and never the newest', () => {
    const long = 'x'.repeat(250_000);
    for (const name of ['A', 'B', 'C', 'D'])
      note(whose, { did: 'changed', part: 'steps', name }, renamed(long));
    expect(editOf(whose)?.name).toBe('D');
    expect(
      (localStorage.getItem(`yendrik-session-edits-1-${whose.course}`) ?? '').length,
    ).toBeLessThan(600_000);
  });

  it('go with whoever leaves', () => {
    note(whose, { did: 'changed', part: 'steps', name: 'Chain', fields: ['name'] }, renamed('a'));
    endSession();
    expect(localStorage).toHaveLength(0);
    expect(editOf(whose)).toBeUndefined();
  });

  it('are none where what the browser kept cannot be read', () => {
    localStorage.setItem(`yendrik-session-edits-1-${whose.course}`, '{"edits":');
    expect(editOf(whose)).toBeUndefined();
  });
});
