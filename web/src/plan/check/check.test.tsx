import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { CheckOfDraft, Finding } from '../../api/client';
import { design, module, rule, step } from '../../test/fixtures';
import { changed, failure, serve, show } from '../../test/stage';
import { PublishDialog } from '../PublishDialog';
import RouteOutline from '../RouteOutline';
import Check from './Check';
import '../../i18n/staff';

const pads = { part: 'STEPS', id: 11, name: 'Pads' } as const;
const film = { part: 'STEPS', id: 12, name: 'Film' } as const;
const circle: Finding = {
  key: 'CIRCLE step-opens 11',
  code: 'CIRCLE',
  weight: 'NOBODY',
  says: '“Pads” waits for itself in the end.',
  place: pads,
  chain: [{ says: '“Pads” opens when: Film is done', place: pads }],
  holdsUp: [film],
  mends: [{ says: 'Take “Film is done” out', thing: pads, field: 'OPENS_WHEN' }],
};
const early: Finding = {
  ...circle,
  key: 'DUE_TOO_EARLY step-opens 12',
  code: 'DUE_TOO_EARLY',
  weight: 'ODD',
  says: '“Film” is due before anybody can be there.',
  place: film,
  chain: [],
  holdsUp: [],
  mends: [],
};
const check = (...findings: Finding[]): CheckOfDraft => ({ findings, lacking: [] });
const waiting = step(11, 'PAGE', { name: 'Pads', opensWhen: rule('Film is done') });
const course = design({
  modules: [module(1, [waiting, step(12, 'PAGE', { name: 'Film' })])],
}) as object;
const answers = (found: CheckOfDraft) => ({
  'GET /api/courses/2/design': course,
  'GET /api/courses/2/design/check': found,
  'PATCH /api/courses/2/design/steps/11': { ...waiting, version: 3, opensWhen: undefined },
});

describe('Check', () => {
  it('says that nothing was found', async () => {
    serve(answers(check()));
    show(<Check />);
    expect(await screen.findByText('Nothing found')).toBeInTheDocument();
  });

  it('lists what is found by how much it matters and tells why', async () => {
    serve(answers({ findings: [circle, early], lacking: ['“Film” has no film'] }));
    show(<Check />);
    expect(await screen.findByText('3 things to look at')).toBeInTheDocument();
    const nobody = screen.getByRole('region', { name: 'Nobody gets there' });
    await userEvent.click(within(nobody).getByRole('button', { name: /Pads/ }));
    const inspector = screen.getByRole('complementary');
    expect(within(inspector).getByText('“Pads” opens when: Film is done')).toBeInTheDocument();
    expect(within(inspector).getByRole('link', { name: 'Film' })).toHaveAttribute(
      'href',
      expect.stringContaining('route?sel=step-12'),
    );
  });

  it('takes a mend as a change of the draft', async () => {
    const calls = serve(answers(check(circle)));
    show(<Check />);
    await userEvent.click(await screen.findByRole('button', { name: /Pads/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Take “Film is done” out' }));
    await waitFor(() => expect(changed(calls)).toEqual([{}]));
    expect(calls.find((c) => c.method === 'PATCH')?.body).toMatchObject({
      from: { opensWhen: { is: 'ask' } },
    });
    expect(await screen.findByRole('button', { name: 'Undo' })).toBeInTheDocument();
  });

  it('keeps what is meant with its reason, and shows it apart', async () => {
    const meant = { reason: 'By hand', by: 'Odalys Brandt', at: '2026-11-24T09:00:00Z' };
    const calls = serve({
      ...answers(check(circle)),
      'PUT /api/courses/2/design/check/meant': check({ ...circle, meant }),
      'POST /api/courses/2/design/check/meant/removal': check(circle),
    });
    show(<Check />);
    await userEvent.click(await screen.findByRole('button', { name: /Pads/ }));
    const keep = screen.getByRole('button', { name: 'Keep' });
    expect(keep).toBeDisabled();
    await userEvent.type(screen.getByLabelText(/The reason/), ' By hand {Enter}');
    await screen.findByText('Meant so: By hand');
    expect(calls.find((c) => c.method === 'PUT')?.body).toEqual({
      finding: circle.key,
      reason: 'By hand',
    });
    expect(screen.getByText('All that was found is meant so')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Not meant any more' }));
    expect(await screen.findByText('One thing to look at')).toBeInTheDocument();
  });

  it('says when a finding is gone meanwhile', async () => {
    serve({
      ...answers(check(circle)),
      'PUT /api/courses/2/design/check/meant': failure(409, { detail: 'It is gone.' }),
    });
    show(<Check />);
    await userEvent.click(await screen.findByRole('button', { name: /Pads/ }));
    await userEvent.type(screen.getByLabelText(/The reason/), 'By hand{Enter}');
    expect(await screen.findByText('It is gone.')).toBeInTheDocument();
  });

  it('stands at the thing itself where that is changed', async () => {
    serve(answers(check(circle)));
    show(<RouteOutline />);
    expect(
      await screen.findByRole('img', { name: '“Pads” waits for itself in the end.' }),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Pads' }));
    expect(await screen.findByText(/waits for itself in the end/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Take “Film is done” out' })).toBeInTheDocument();
  });

  it('is told before publishing', async () => {
    serve({
      ...answers(check(circle)),
      'GET /api/courses/2/publications/next': {
        draft: '',
        changed: ['Pads'],
        learners: 0,
        changes: [],
      },
    });
    show(<PublishDialog onClose={() => {}} />);
    expect(await screen.findByText(/Checking finds one more thing/)).toBeInTheDocument();
  });
});
