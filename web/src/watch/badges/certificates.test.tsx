import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { serve, show } from '../../test/stage';
import { Certificates } from './Certificates';

const at = '/api/courses/2/certificates';
const one = {
  id: 5,
  number: '2026-00005',
  badge: 8,
  title: 'Foundations certificate',
  enrolment: 40,
  person: 9,
  name: 'Tilda Moreau',
  unprinted: false,
  learner: 'Tilda Moreau',
  awardedAt: '2026-11-20T12:00:00Z',
  madeAt: '2026-11-20T12:00:00Z',
  reason: '',
  state: 'VALID',
};
const around = {
  'GET /api/courses/2/reports': [{ name: 'csv', title: 'CSV' }],
  'GET /api/courses/2/jobs': [],
};

describe('the register of certificates', () => {
  it('says where certificates come from when there are none', async () => {
    serve({ ...around, [`GET ${at}`]: [] });
    show(<Certificates />);
    expect(await screen.findByText('No certificates yet')).toBeVisible();
    expect(screen.queryByRole('button', { name: /^Print/ })).not.toBeInTheDocument();
  });

  it('prints those that are ticked, and nothing that was revoked', async () => {
    const calls = serve({
      ...around,
      [`GET ${at}`]: [
        one,
        { ...one, id: 6, number: '2026-00006' },
        { ...one, id: 7, number: '2026-00007', state: 'REVOKED' },
      ],
      [`POST ${at}/prints`]: { id: 1, what: 'certificates', state: 'WAITING', done: 0, of: 0 },
    });
    show(<Certificates />);
    expect(await screen.findByRole('button', { name: 'Print 2 certificates' })).toBeEnabled();
    expect(screen.getByRole('checkbox', { name: 'Tick 2026-00007' })).toBeDisabled();
    await userEvent.click(screen.getByRole('checkbox', { name: 'Tick 2026-00006' }));
    await userEvent.click(screen.getByRole('button', { name: 'Print 1 certificate' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ certificates: [6] }),
    );
  });

  it('finds by words of the number, the name or the title, and prints what is found', async () => {
    serve({
      ...around,
      [`GET ${at}`]: [one, { ...one, id: 6, number: '2026-00006', name: 'Rosa Lindqvist' }],
    });
    show(<Certificates />);
    await userEvent.type(await screen.findByRole('searchbox'), 'rosa found');
    expect(await screen.findByRole('button', { name: 'Print 1 certificate' })).toBeVisible();
    expect(screen.queryByText('2026-00005')).not.toBeInTheDocument();
    await userEvent.type(screen.getByRole('searchbox'), ' x');
    expect(await screen.findByText('No certificate has these words')).toBeVisible();
  });

  it('says who is called otherwise now, and gives theirs anew with a reason', async () => {
    const calls = serve({
      ...around,
      [`GET ${at}`]: [{ ...one, learner: 'Tilda Strand' }],
      [`POST ${at}/5/again`]: undefined,
    });
    show(<Certificates />);
    expect(await screen.findByText('now called Tilda Strand')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Give anew 2026-00005' }));
    const dialog = within(await screen.findByRole('dialog'));
    expect(dialog.getByRole('textbox', { name: /Why/ })).toHaveValue('Another name');
    await userEvent.click(dialog.getByRole('button', { name: 'Give anew' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ reason: 'Another name' }),
    );
  });
});
