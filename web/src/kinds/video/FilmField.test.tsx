import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { failure, serve, show } from '../../test/stage';
import FilmField from './FilmField';

const empty = { is: 'video' } as const;
const withFilm = {
  is: 'video',
  film: { file: 9, name: 'toe-in.webm', mediaType: 'video/webm', seconds: 46 },
} as const;
const file = () => new File(['film'], 'toe-in.webm', { type: 'video/webm' });

const sendInPieces = vi.hoisted(() => vi.fn());
vi.mock('../../api/files', () => ({ sendInPieces }));

const at = 'POST /api/courses/2/design/files';

beforeEach(() => {
  sendInPieces.mockReset();
  sendInPieces.mockResolvedValue('sent-1');
});

describe('the film of a step', () => {
  it('is sent as it is, and put in the step with its length', async () => {
    const calls = serve({ [at]: { id: 9, name: 'toe-in.webm' } });
    const change = vi.fn();
    show(<FilmField part={empty} change={change} measure={async () => 46} />);
    expect(screen.getByText(/No film yet/)).toBeInTheDocument();
    const film = file();
    await userEvent.upload(screen.getByLabelText('Film'), film);
    await vi.waitFor(() =>
      expect(change).toHaveBeenCalledWith({
        part: { is: 'video', film: { file: 9, seconds: 46 } },
      }),
    );
    expect(sendInPieces.mock.calls[0]?.[0]).toBe(film);
    expect(calls.map((c) => c.body)).toEqual([{ upload: 'sent-1', use: 'FILM' }]);
  });

  it('whose length cannot be read is not sent', async () => {
    const change = vi.fn();
    show(
      <FilmField
        part={empty}
        change={change}
        measure={() => Promise.reject(new Error('no length'))}
      />,
    );
    await userEvent.upload(screen.getByLabelText('Film'), file());
    expect(await screen.findByRole('alert')).toHaveTextContent('“toe-in.webm” cannot be read');
    expect(sendInPieces).not.toHaveBeenCalled();
    expect(change).not.toHaveBeenCalled();
  });

  it('that the server refuses says why', async () => {
    serve({ [at]: failure(422, { detail: '“toe-in.webm” is text/html.' }) });
    show(<FilmField part={empty} change={vi.fn()} measure={async () => 46} />);
    await userEvent.upload(screen.getByLabelText('Film'), file());
    expect(await screen.findByRole('alert')).toHaveTextContent('is text/html');
  });

  it('that breaks off on its way says so', async () => {
    sendInPieces.mockRejectedValue(new Error('The connection broke while the file was sent.'));
    show(<FilmField part={empty} change={vi.fn()} measure={async () => 46} />);
    await userEvent.upload(screen.getByLabelText('Film'), file());
    expect(await screen.findByRole('alert')).toHaveTextContent('connection broke');
  });

  it('can be looked at, replaced and taken away', async () => {
    const change = vi.fn();
    show(<FilmField part={withFilm} change={change} measure={async () => 46} />);
    expect(screen.getByText('toe-in.webm, 0:46')).toBeInTheDocument();
    expect(screen.getByLabelText('toe-in.webm')).toHaveAttribute(
      'src',
      '/api/courses/2/design/files/9',
    );
    expect(screen.getByRole('button', { name: 'Replace the film' })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Take away' }));
    expect(change).toHaveBeenCalledWith({ part: { is: 'video' } });
  });
});
