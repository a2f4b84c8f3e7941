import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import * as fixtures from '../test/fixtures';
import { failure, serve, show } from '../test/stage';
import { ExchangeDialog } from './ExchangeDialog';

const at = '/api/courses/2/design/framework';
const design = fixtures.design({ scales: [fixtures.scale({ id: 3 })] });
const formats = {
  [`GET ${at}`]: [
    { name: 'case', title: 'CASE 1.1' },
    { name: 'csv', title: 'CSV' },
  ],
};
const comparison = {
  fresh: Array.from({ length: 14 }, (_, n) => `K${n} Outcome ${n}`),
  changed: ['A: name becomes “One more”'],
  missing: ['C Three'],
  held: [],
  rubrics: ['Brake practical'],
  same: 5,
};

async function choose(text: string, name: string) {
  const close = vi.fn();
  show(<ExchangeDialog design={design} onClose={close} />);
  const file = new File([text], name);
  await userEvent.upload(screen.getByLabelText('Choose a file', { selector: 'input' }), file);
  return close;
}

describe('exchanging outcomes', () => {
  it('shows what a file brings before anything is taken, the first few by name', async () => {
    const calls = serve({ ...formats, [`POST ${at}/csv/comparison`]: comparison });
    await choose('code,name\nA,One\n', 'outcomes.csv');
    expect(await screen.findByText('14 new')).toBeInTheDocument();
    expect(screen.getByText('K11 Outcome 11')).toBeInTheDocument();
    expect(screen.queryByText('K12 Outcome 12')).not.toBeInTheDocument();
    expect(screen.getByText(/name becomes “One more”/)).toBeInTheDocument();
    expect(screen.getByText(/stay as they are/)).toBeInTheDocument();
    expect(calls.filter((c) => c.method === 'POST')).toHaveLength(1);
  });

  it('knows a package by its look and takes it when told to', async () => {
    const calls = serve({
      ...formats,
      [`POST ${at}/case/comparison`]: comparison,
      [`POST ${at}/case/taking`]: { id: 1, what: 'taking', state: 'WAITING', done: 0, of: 0 },
    });
    const close = await choose(' {"CFItems":[]}', 'download.json');
    await userEvent.click(await screen.findByRole('button', { name: 'Take 16 changes' }));
    await vi.waitFor(() => expect(close).toHaveBeenCalled());
    expect(calls.map((c) => c.path)).toContain(`${at}/case/taking?scale=3`);
  });

  it('lists the faults of a file by row and lets nothing be taken', async () => {
    serve({
      ...formats,
      [`POST ${at}/csv/comparison`]: failure(422, {
        detail: 'The file cannot be taken as it is.',
        findings: ['Row 3: code is empty.', 'Row 4: name is empty.'],
      }),
    });
    await choose('code,name\n', 'outcomes.csv');
    expect(await screen.findByText('Row 4: name is empty.')).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /^Take/ })).toBeDisabled();
  });

  it('offers every format that the server has', async () => {
    serve(formats);
    show(<ExchangeDialog design={design} onClose={() => {}} />);
    const link = await screen.findByRole('link', { name: 'CASE 1.1' });
    expect(link).toHaveAttribute('href', `${at}/case`);
    expect(screen.getByRole('link', { name: 'CSV' })).toHaveAttribute('href', `${at}/csv`);
  });
});
