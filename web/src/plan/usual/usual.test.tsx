import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { RuleNode, RuleView } from '../../api/client';
import { design, module, rule, step } from '../../test/fixtures';
import { type Call, changed, serve, show } from '../../test/stage';
import RouteOutline from '../RouteOutline';
import { sampleAsked } from './usual';
import '../../i18n/staff';

const SAMPLE = 9_000_000_000_000_000;
// What is saved of one is kept for as long as the page.
const OTHER = SAMPLE + 1;
const about = (leaf: string, at: number, line: string): RuleView => {
  const made = rule(line);
  return { ...made, root: { ...made.root, leaf: { is: leaf, step: at } as RuleNode['leaf'] } };
};
const reading = (sample: number) => ({
  id: sample,
  version: 1,
  kind: 'PAGE' as const,
  doneWhen: about('seen', sample, 'read'),
});
const confirming = (sample: number) => ({
  ...reading(sample),
  version: 2,
  doneWhen: about('confirmed', sample, 'confirmed'),
  shipped: { doneWhen: about('seen', sample, 'read') },
});
const course = (ids: number, usual = [reading(SAMPLE)] as object[]) =>
  design({
    usual: usual as never,
    modules: [
      module(1, [
        step(ids, 'PAGE', { name: 'Anatomy', doneWhen: about('seen', ids, 'read') }),
        step(ids + 1, 'PAGE', { name: 'Pads', doneWhen: about('confirmed', ids + 1, 'confirmed') }),
      ]),
    ],
  }) as object;
const patchOf = (sample: number) => `PATCH /api/courses/2/design/usual/${sample}`;
const sent = (calls: Call[], path: string) => calls.find((c) => c.path.endsWith(path))?.body;

describe('what is usual', () => {
  it('is changed for the whole course and given to those that had the one before', async () => {
    let usual = reading(SAMPLE) as object;
    const calls = serve({
      'GET /api/courses/2/design': () => course(41, [usual]),
      'GET /api/courses/2/design/proposals': [
        { leaf: { is: 'confirmed', step: SAMPLE }, subject: '', says: 'confirmed' },
      ],
      [patchOf(SAMPLE)]: () => {
        usual = confirming(SAMPLE);
        return usual;
      },
      'POST /api/courses/2/design/rules/for-steps': [
        { step: 41, rule: about('confirmed', 41, 'confirmed') },
      ],
      'POST /api/courses/2/design/steps/changes': [],
    });
    show(<RouteOutline />);
    await userEvent.click(await screen.findByRole('button', { name: 'The whole course' }));
    await userEvent.click(screen.getByRole('button', { name: 'Page read', expanded: false }));
    const done = await screen.findByRole('region', { name: 'Done when' });
    await userEvent.type(within(done).getByRole('combobox'), 'conf');
    await userEvent.click(await screen.findByRole('option', { name: 'confirmed' }));
    await userEvent.click(
      await screen.findByRole('button', { name: /Also give it to the one step that had/ }),
    );
    await waitFor(() =>
      expect(sent(calls, '/rules/for-steps')).toMatchObject({ from: SAMPLE, steps: [41] }),
    );
    expect(await screen.findByRole('button', { name: 'Back to as it came: read' })).toBeVisible();
  });

  it('is told at a step that has another rule, which takes it or makes its own usual', async () => {
    const calls = serve({
      'GET /api/courses/2/design': course(51, [reading(OTHER)]),
      [patchOf(OTHER)]: confirming(OTHER),
      'POST /api/courses/2/design/rules/for-steps': [{ step: 52, rule: about('seen', 52, 'read') }],
      'POST /api/courses/2/design/steps/changes': [],
    });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-52');
    expect(await screen.findByText(/Usual for pages: read/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Make this usual for pages' }));
    await waitFor(() =>
      expect(changed(calls)).toMatchObject([
        { doneWhen: { leaf: { is: 'confirmed', step: OTHER } } },
      ]),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Take the usual' }));
    await waitFor(() =>
      expect(sent(calls, '/rules/for-steps')).toMatchObject({ from: OTHER, steps: [52] }),
    );
  });

  it('is not spoken of where a step has it', async () => {
    serve({ 'GET /api/courses/2/design': course(61) });
    show(<RouteOutline />, '/c/2/plan/route?sel=step-61');
    await screen.findByRole('region', { name: 'Done when' });
    expect(screen.queryByText(/Usual for pages/)).toBeNull();
  });

  it('asks about any step of a kind where a step asked about itself, and about others as before', () => {
    const ask = (id: string, at: number): RuleNode => ({
      ...rule().root,
      id,
      leaf: { is: 'seen', step: at } as RuleNode['leaf'],
    });
    const joint = (is: string, n: number, parts: RuleNode[]): RuleNode => ({
      ...rule().root,
      id: is,
      is,
      n,
      parts,
      leaf: {} as RuleNode['leaf'],
    });
    const made = sampleAsked(
      joint('all', 0, [ask('a', 7), joint('after', 3, [ask('b', 8)])]),
      7,
      SAMPLE,
    );
    expect(made).toMatchObject({
      parts: [{ leaf: { step: SAMPLE } }, { days: 3, part: { leaf: { step: 8 } } }],
    });
  });
});
