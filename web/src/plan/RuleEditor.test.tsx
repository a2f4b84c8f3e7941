import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { RuleNode } from '../api/client';
import { type Call, serve, show } from '../test/stage';
import { RuleEditor } from './RuleEditor';
import { askNode, jointNode } from './ruleTree';

const proposal = (step: number, says: string) => ({
  leaf: { is: 'done', step },
  subject: `“Step ${step}”`,
  says,
});
const ask = (step: number, says = 'is done'): RuleNode => askNode(proposal(step, says));

function edit(root: RuleNode | undefined, needed = false, more: Record<string, unknown> = {}) {
  const change = vi.fn();
  const calls = serve({
    'GET /api/courses/2/design/proposals*': [proposal(3, 'is done')],
    ...more,
  });
  show(
    <RuleEditor
      title="Opens when"
      at={{ place: 'step-opens', id: 5 }}
      rule={root && { root, line: '', text: 'kept' }}
      usual="at once"
      example="step done"
      needed={needed}
      onChange={change}
    />,
  );
  return { change, calls };
}

describe('a rule', () => {
  it('says what is usual while there is none', () => {
    edit(undefined);
    expect(screen.getByRole('heading')).toHaveTextContent('Opens when at once');
  });

  it('takes the proposal for what is typed with Enter', async () => {
    const { change, calls } = edit(undefined);
    await userEvent.type(screen.getByRole('combobox'), 'three done');
    await screen.findByRole('option');
    await userEvent.keyboard('{Enter}');
    expect(change.mock.calls[0]?.[0]).toMatchObject({ is: 'ask', leaf: { is: 'done', step: 3 } });
    expect(calls.at(-1)?.path).toContain('text=three');
  });

  it('becomes all of two when a second condition comes', async () => {
    const { change } = edit(ask(1));
    await userEvent.type(screen.getByRole('combobox'), 'three');
    await userEvent.click(await screen.findByRole('option'));
    expect(change.mock.calls[0]?.[0]).toMatchObject({
      is: 'all',
      parts: [{ leaf: { step: 1 } }, { leaf: { step: 3 } }],
    });
  });

  it('keeps the first of two conditions that are added before it is saved', async () => {
    const { change } = edit(undefined);
    for (const n of [1, 2]) {
      await userEvent.type(screen.getByRole('combobox'), 'three');
      await userEvent.click(await screen.findByRole('option'));
      expect(change).toHaveBeenCalledTimes(n);
    }
    expect(change.mock.calls[1]?.[0]).toMatchObject({
      is: 'all',
      parts: [{ leaf: { step: 3 } }, { leaf: { step: 3 } }],
    });
  });

  it('changes its word when the word is pressed', async () => {
    const { change } = edit(jointNode('all', [ask(1), ask(2)]));
    await userEvent.click(screen.getByRole('button', { name: /^all/ }));
    expect(change.mock.calls[0]?.[0]).toMatchObject({ is: 'any' });
  });

  it('is one condition again when one of two is taken out', async () => {
    const { change } = edit(jointNode('all', [ask(1), ask(2)]));
    await userEvent.click(screen.getByRole('button', { name: /Take out: .*“Step 1”/ }));
    expect(change.mock.calls[0]?.[0]).toMatchObject({ is: 'ask', leaf: { step: 2 } });
  });

  it('is none at all when its only condition is taken out', async () => {
    const { change } = edit(ask(1));
    await userEvent.click(screen.getByRole('button', { name: /Take out: .*“Step 1”/ }));
    expect(change).toHaveBeenCalledWith(undefined, undefined);
  });

  it('waits some days after a condition, as many as are typed', async () => {
    const { change } = edit(ask(1));
    await userEvent.click(screen.getByRole('button', { name: /Only some days after: .*“Step 1”/ }));
    const days = await screen.findByRole('spinbutton', { name: 'Days to wait' });
    expect(days).toHaveValue(7);
    await userEvent.clear(days);
    await userEvent.type(days, '3{Enter}');
    expect(change.mock.lastCall?.[0]).toMatchObject({ is: 'after', days: 3 });
    await userEvent.click(screen.getByRole('button', { name: 'At once, without waiting' }));
    expect(change.mock.lastCall?.[0]).toMatchObject({ is: 'ask' });
  });

  it('is text that can be changed, and says where that cannot be read', async () => {
    const { change, calls } = edit(ask(1), false, {
      'POST /api/courses/2/design/rules/read': (call: Call) =>
        (call.body as { text: string }).text === 'this step seen'
          ? { fault: { line: 1, column: 11, says: 'No condition goes on like this.' } }
          : { rule: { line: '', text: '', root: ask(4) } },
    });
    await userEvent.click(screen.getByRole('button', { name: '“Opens when” as text' }));
    const field = await screen.findByRole('textbox', { name: '“Opens when” as text' });
    expect(field).toHaveValue('kept');
    await userEvent.clear(field);
    await userEvent.type(field, 'this step seen');
    await userEvent.click(screen.getByRole('button', { name: 'Take this rule' }));
    expect(await screen.findByText(/Line 1, place 11: No condition/)).toBeInTheDocument();
    expect((field as HTMLTextAreaElement).selectionStart).toBe(10);
    expect(change).not.toHaveBeenCalled();
    await userEvent.clear(field);
    await userEvent.type(field, 'this step read');
    await userEvent.click(screen.getByRole('button', { name: 'Take this rule' }));
    await vi.waitFor(() =>
      expect(change.mock.lastCall?.[0]).toMatchObject({ is: 'ask', leaf: { step: 4 } }),
    );
    expect(calls.filter((c) => c.method === 'POST').at(-1)?.body).toEqual({
      place: 'step-opens',
      id: 5,
      text: 'this step read',
    });
  });

  it('is changed where it stands: pressed, typed, taken with Enter', async () => {
    const { change, calls } = edit(jointNode('all', [ask(1), ask(2)]));
    await userEvent.click(screen.getByRole('button', { name: '“Step 1” is done' }));
    const field = screen.getByRole('combobox', { name: 'Change “Step 1” is done' });
    expect(field).toHaveFocus();
    expect(field).toHaveValue('“Step 1” is done');
    await userEvent.keyboard('80');
    await screen.findByRole('option');
    expect(calls.at(-1)?.path).toContain(encodeURIComponent('{"is":"done","step":1}'));
    await userEvent.keyboard('{Enter}');
    expect(change.mock.lastCall?.[0]).toMatchObject({
      is: 'all',
      parts: [{ leaf: { step: 3 } }, { leaf: { step: 2 } }],
    });
    expect(screen.queryByRole('combobox', { name: /^Change/ })).toBeNull();
  });

  it('stays as it is when changing is left with Escape, and gets the focus again', async () => {
    const { change } = edit(ask(1));
    await userEvent.click(screen.getByRole('button', { name: '“Step 1” is done' }));
    await userEvent.keyboard('other{Escape}');
    await vi.waitFor(() =>
      expect(screen.getByRole('button', { name: '“Step 1” is done' })).toHaveFocus(),
    );
    expect(change).not.toHaveBeenCalled();
  });

  it('is walked through with arrows, and a condition goes with Backspace', async () => {
    const { change } = edit(jointNode('all', [ask(1), ask(2)]));
    await userEvent.click(screen.getByRole('combobox'));
    await userEvent.keyboard('{ArrowUp}');
    expect(screen.getByRole('button', { name: '“Step 2” is done' })).toHaveFocus();
    await userEvent.keyboard('{ArrowLeft}');
    expect(screen.getByRole('button', { name: '“Step 1” is done' })).toHaveFocus();
    await userEvent.keyboard('{Backspace}');
    expect(change.mock.lastCall?.[0]).toMatchObject({ is: 'ask', leaf: { step: 2 } });
    expect(screen.getByRole('combobox')).toHaveFocus();
  });

  it('loses its last condition with Backspace in the empty field, never while somebody types', async () => {
    const { change } = edit(jointNode('all', [ask(1), ask(2)]));
    await userEvent.type(screen.getByRole('combobox'), 'x{Backspace}');
    expect(change).not.toHaveBeenCalled();
    await userEvent.keyboard('{Backspace}');
    expect(change.mock.lastCall?.[0]).toMatchObject({ is: 'ask', leaf: { step: 1 } });
  });

  it('keeps its last condition where one is needed', async () => {
    const { change } = edit(ask(1), true);
    await userEvent.type(screen.getByRole('combobox'), '{Backspace}');
    expect(change).not.toHaveBeenCalled();
  });

  it('says beside what a condition makes no difference', () => {
    const strict = ask(2, 'scored 80 % or more');
    edit(jointNode('all', [{ ...ask(1), beside: strict.id }, strict]));
    expect(
      screen.getByText('Makes no difference beside ““Step 2” scored 80 % or more”.'),
    ).toBeInTheDocument();
  });

  it('is gone when its text is emptied', async () => {
    const { change } = edit(ask(1));
    await userEvent.click(screen.getByRole('button', { name: '“Opens when” as text' }));
    await userEvent.clear(await screen.findByRole('textbox', { name: '“Opens when” as text' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take this rule' }));
    expect(change.mock.lastCall?.[0]).toBeUndefined();
  });

  it('keeps its last condition where one is needed', () => {
    edit(ask(1), true);
    expect(screen.queryByRole('button', { name: /Take out: .*“Step 1”/ })).not.toBeInTheDocument();
  });

  it('puts a condition into a joint of its own when asked to', async () => {
    const { change } = edit(jointNode('all', [ask(1), ask(2)]));
    const section = screen.getByRole('region', { name: 'Opens when' });
    const joint = within(section).getAllByRole('button').at(-1);
    if (joint) await userEvent.click(joint);
    await userEvent.type(screen.getByRole('combobox'), 'three');
    await userEvent.click(await screen.findByRole('option'));
    expect(change.mock.calls[0]?.[0]).toMatchObject({
      is: 'all',
      parts: [{}, {}, { is: 'any', parts: [{ leaf: { step: 3 } }] }],
    });
  });
});
