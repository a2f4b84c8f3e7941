import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { design, module, rule, step } from '../test/fixtures';
import { changed, serve, show } from '../test/stage';
import { plainRule } from './edits';
import RouteOutline from './RouteOutline';
import { cellOf, mayAsk, placeOf, ruleAt, setRuleAt, withDone } from './ruleAt';
import '../i18n/staff';

const course = design({
  modules: [module(1, [step(71, 'PAGE', { name: 'Anatomy' }), step(72, 'QUIZ', { name: 'Pads' })])],
});

describe('a rule in its row', () => {
  it('is edited in place, with proposals while one types', async () => {
    const calls = serve({
      'GET /api/courses/2/design': course,
      'GET /api/courses/2/design/proposals': [
        { leaf: { is: 'seen', step: 71 }, subject: 'Anatomy', says: 'read' },
      ],
      'PATCH /api/courses/2/design/steps/72': { ...step(72, 'QUIZ'), version: 2 },
    });
    show(<RouteOutline />);
    await userEvent.click(
      await screen.findByRole('button', { name: 'Opens when at once, of Pads' }),
    );
    const dialog = await screen.findByRole('dialog', { name: 'Pads: Opens when' });
    const field = within(dialog).getByRole('combobox');
    expect(field).toHaveFocus();
    await userEvent.keyboard('anatomy');
    await userEvent.click(await screen.findByRole('option', { name: /Anatomy/ }));
    await waitFor(() =>
      expect(changed(calls)).toMatchObject([
        { opensWhen: { is: 'ask', leaf: { is: 'seen', step: 71 } } },
      ]),
    );
    await userEvent.keyboard('{Escape}{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });
});

describe('what is dropped on a rule', () => {
  it('becomes one more condition of it, and the rule itself where there was none', () => {
    expect(plainRule(withDone(undefined, 'step-71'))).toMatchObject({
      is: 'ask',
      leaf: { is: 'step-done', step: 71 },
    });
    expect(plainRule(withDone(rule(), 'module-4'))).toMatchObject({
      is: 'all',
      parts: [{ id: 'a' }, { leaf: { is: 'module-done', module: 4 } }],
    });
  });

  it('never waits for itself', () => {
    expect(mayAsk({ place: 'step-opens', id: 71 }, 'step-71')).toBe(false);
    expect(mayAsk({ place: 'module-opens', id: 71 }, 'step-71')).toBe(true);
  });

  it('finds the rule of every place by the name of its cell', () => {
    for (const place of [
      'step-opens',
      'step-done',
      'module-opens',
      'module-done',
      'course-complete',
    ] as const)
      expect(placeOf(cellOf({ place, id: 7 }))).toEqual({ place, id: 7 });
    expect(placeOf('step-71')).toBeUndefined();
    expect(ruleAt(course, { place: 'step-done', id: 72 })?.line).toBe('gone through');
    const set: unknown[] = [];
    const draft = {
      step: (_: unknown, change: unknown) => set.push(change),
      module: (_: unknown, change: unknown) => set.push(change),
      rules: (_: unknown, change: unknown) => set.push(change),
    };
    setRuleAt(course, draft as never, { place: 'module-done', id: 1 }, { is: 'ask' });
    setRuleAt(course, draft as never, { place: 'course-complete', id: 2 }, undefined);
    setRuleAt(course, draft as never, { place: 'step-done', id: 72 }, undefined);
    expect(set).toEqual([{ doneWhen: { is: 'ask' } }, { completeWhen: undefined }]);
  });
});
