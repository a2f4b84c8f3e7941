import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { design, module, rule, step } from '../../test/fixtures';
import { changed, serve, show } from '../../test/stage';
import { PublishDialog } from '../PublishDialog';
import History from './History';
import '../../i18n/staff';

const pads = step(11, 'PAGE', { name: 'Pads', opensWhen: rule('Film done') });
const course = (more: object) => design({ modules: [module(1, [pads])], ...more }) as object;
const publications = [
  { number: 2, at: '2026-11-20T08:00:00Z', by: 'Odalys Grant', later: true },
  { number: 1, at: '2026-10-01T08:00:00Z', by: 'Sefa Dunmore', later: false },
];
const back = {
  says: 'Opens when of “Pads” is what it was',
  thing: { part: 'STEPS', id: 11, name: 'Pads' },
  field: 'OPENS_WHEN',
};
const impact = (more: object) => ({
  draft: 'seen',
  changed: ['“Pads”'],
  learners: 36,
  earlier: 0,
  changes: [{ what: '“Pads” closes', loss: true, learners: ['Edda'] }],
  ...more,
});

describe('the history', () => {
  it('says what is not published yet and takes a rule back to what it was', async () => {
    const calls = serve({
      'GET /api/courses/2/design': course({ changed: true }),
      'GET /api/courses/2/publications': publications,
      'GET /api/courses/2/publications/next': impact({}),
      'GET /api/courses/2/publications/next/changes': {
        names: ['“Pads”'],
        rules: [{ place: 'Opens when of “Pads”', after: 'Film done', back }],
      },
      'PATCH /api/courses/2/design/steps/11': { ...pads, version: 3, opensWhen: undefined },
    });
    show(<History />);
    expect(await screen.findByText('One rule changed')).toBeInTheDocument();
    expect(screen.getByText('no rule')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Take back: Opens when of “Pads”' }));
    await vi.waitFor(() => expect(changed(calls)).toHaveLength(1));
    expect(await screen.findByText('Opens when of “Pads” is what it was')).toBeInTheDocument();
  });

  it('takes all rules back at once', async () => {
    const rims = step(13, 'PAGE', { name: 'Rims', opensWhen: rule('Film done') });
    const levers = step(14, 'PAGE', { name: 'Levers', opensWhen: rule('Film done') });
    const other = { ...back, thing: { part: 'STEPS', id: 14, name: 'Levers' } };
    const calls = serve({
      'GET /api/courses/2/design': course({ changed: true, modules: [module(1, [rims, levers])] }),
      'GET /api/courses/2/publications': publications,
      'GET /api/courses/2/publications/next': impact({}),
      'GET /api/courses/2/publications/next/changes': {
        names: ['“Rims”', '“Levers”'],
        rules: [
          {
            place: 'Opens when of “Rims”',
            after: 'Film done',
            back: { ...back, thing: { ...other.thing, id: 13 } },
          },
          { place: 'Opens when of “Levers”', after: 'Film done', back: other },
        ],
      },
      'PATCH /api/courses/2/design/steps/13': { ...rims, version: 3, opensWhen: undefined },
      'PATCH /api/courses/2/design/steps/14': { ...levers, version: 3, opensWhen: undefined },
    });
    show(<History />);
    await userEvent.click(await screen.findByRole('button', { name: 'Take all of them back' }));
    await vi.waitFor(() => expect(changed(calls)).toHaveLength(2));
    expect(await screen.findByText(/^2 rules are as they were/)).toBeInTheDocument();
  });

  it('tells of each publication when, by whom and for whom', async () => {
    serve({
      'GET /api/courses/2/design': course({ changed: false }),
      'GET /api/courses/2/publications': publications,
      'GET /api/courses/2/publications/2/changes': {
        names: ['“Pads”'],
        rules: [{ place: 'Opens when of “Pads”', before: 'Film seen', after: 'Film done' }],
      },
      'GET /api/courses/2/publications/1/changes': { names: [], rules: [] },
    });
    show(<History />);
    expect(await screen.findByText('Film seen')).toBeInTheDocument();
    const list = within(screen.getByRole('navigation', { name: 'History' }));
    expect(list.getByText(/only for who enrolled from then on/)).toBeInTheDocument();
    await userEvent.click(list.getByRole('button', { name: /Publication 1/ }));
    expect(await screen.findByText(/all of it was new/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /Take back/ })).not.toBeInTheDocument();
  });

  it('of a course that was never published says what will stand here', async () => {
    serve({
      'GET /api/courses/2/design': course({ changed: false }),
      'GET /api/courses/2/publications': [],
    });
    show(<History />);
    expect(await screen.findByText('Nothing is published yet')).toBeInTheDocument();
  });
});

describe('publishing', () => {
  it('for those who enrol from then on takes nothing from the others', async () => {
    const close = vi.fn();
    const calls = serve({
      'GET /api/courses/2/publications/next': impact({}),
      'POST /api/courses/2/publications': { number: 1, moved: 0, of: 0 },
    });
    show(<PublishDialog onClose={close} />);
    expect(await screen.findByText('Learners lose')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: /Only who enrols/ }));
    expect(screen.queryByText('Learners lose')).not.toBeInTheDocument();
    expect(screen.getByText(/36 learners who are enrolled keep what they have/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Publish for later learners' }));
    await vi.waitFor(() => expect(close).toHaveBeenCalled());
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ draft: 'seen', later: true });
  });

  it('writes to those for whom something opens, unless that is not wanted', async () => {
    const gain = { what: '“Pads” opens', loss: false, learners: ['Edda'] };
    const calls = serve({
      'GET /api/courses/2/publications/next': impact({ changes: [gain] }),
      'POST /api/courses/2/publications': { number: 1, moved: 0, of: 0 },
    });
    show(<PublishDialog onClose={() => {}} />);
    const tells = await screen.findByRole('checkbox', { name: /Write to those for whom/ });
    expect(tells).toBeChecked();
    await userEvent.click(screen.getByRole('radio', { name: /Only who enrols/ }));
    expect(screen.queryByRole('checkbox')).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: /Everyone/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Publish for everyone' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
        draft: 'seen',
        later: false,
        tells: true,
      }),
    );
  });

  it('is planned for a moment, once there is one', async () => {
    const calls = serve({
      'GET /api/courses/2/publications/next': impact({}),
      'PUT /api/courses/2/publications/planned': {},
    });
    show(<PublishDialog onClose={() => {}} />);
    await userEvent.click(await screen.findByRole('radio', { name: 'At a moment' }));
    expect(screen.getByRole('button', { name: 'Plan it' })).toBeDisabled();
    await userEvent.type(screen.getByRole('textbox', { name: 'At a moment' }), '2026-12-24T08:00');
    await userEvent.click(screen.getByRole('button', { name: 'Plan it' }));
    expect(await screen.findByText(/^Planned\./)).toBeInTheDocument();
    const sent = calls.find((c) => c.method === 'PUT')?.body as { at: string };
    expect(sent).toMatchObject({ draft: 'seen', later: false });
    expect(Date.parse(sent.at)).toBe(new Date('2026-12-24T08:00').getTime());
  });

  it('shows what is planned and drops it', async () => {
    const calls = serve({
      'GET /api/courses/2/publications/next': impact({
        planned: { at: '2026-12-24T08:00:00Z', later: false, by: 'Odalys Grant' },
      }),
      'DELETE /api/courses/2/publications/planned': {},
    });
    show(<PublishDialog onClose={() => {}} />);
    expect(await screen.findByText(/Planned by Odalys Grant/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Drop it' }));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'DELETE')).toBe(true));
  });

  it('brings those who have an earlier one under what later learners have', async () => {
    serve({
      'GET /api/courses/2/publications/next': impact({ changed: [], earlier: 3, changes: [] }),
    });
    show(<PublishDialog onClose={() => {}} />);
    expect(await screen.findByText(/3 learners have an earlier one/)).toBeInTheDocument();
    const publish = screen.getByRole('button', { name: 'Publish for everyone' });
    expect(publish).toBeEnabled();
    await userEvent.click(screen.getByRole('radio', { name: /Only who enrols/ }));
    expect(screen.getByRole('button', { name: 'Publish for later learners' })).toBeDisabled();
  });
});
