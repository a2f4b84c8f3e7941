import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { failure, serve, show } from '../../test/stage';
import FilmField from './FilmField';

const empty = { is: 'video' as const, captions: [] };
const withFilm = {
  is: 'video' as const,
  captions: [],
  film: { file: 9, name: 'toe-in.webm', mediaType: 'video/webm', seconds: 46 },
};
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
        part: { is: 'video', film: { file: 9, seconds: 46 }, captions: [] },
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

  it('may lie elsewhere, and is taken with its length', async () => {
    const change = vi.fn();
    const measure = vi.fn(async () => 46);
    show(<FilmField part={empty} change={change} measure={measure} />);
    const address = 'https://films.hollowlane.example/toe-in.webm';
    await userEvent.type(screen.getByLabelText('Address of a film elsewhere'), `${address}{Enter}`);
    await vi.waitFor(() =>
      expect(change).toHaveBeenCalledWith({
        part: { is: 'video', elsewhere: { address, seconds: 46 }, captions: [] },
      }),
    );
    expect(measure).toHaveBeenCalledWith(address);
  });

  it('elsewhere that cannot be read says what is needed, and the address stays', async () => {
    const change = vi.fn();
    show(<FilmField part={empty} change={change} measure={() => Promise.reject(new Error())} />);
    const field = screen.getByLabelText('Address of a film elsewhere');
    await userEvent.type(field, 'https://nowhere.example/x{Enter}');
    expect(await screen.findByText(/at a host that your institution allows/)).toBeVisible();
    expect(field).toHaveValue('https://nowhere.example/x');
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
    expect(change).toHaveBeenCalledWith({ part: { is: 'video', captions: [] } });
  });

  it('gets its captions from a file, and a caption is changed, added and taken away', async () => {
    const change = vi.fn();
    const first = { from: 0, to: 4000, text: 'Loosen the nut.' };
    show(
      <FilmField
        part={{ ...withFilm, captions: [first] }}
        change={change}
        measure={async () => 46}
      />,
    );
    const now = () => change.mock.lastCall?.[0].part.captions;
    const till = screen.getByRole('textbox', { name: 'To' });
    await userEvent.clear(till);
    await userEvent.type(till, '0:03.5');
    await userEvent.tab();
    expect(now()).toEqual([{ ...first, to: 3500 }]);
    await userEvent.click(screen.getByRole('button', { name: 'Add one here' }));
    expect(now()).toHaveLength(2);
    const vtt = 'WEBVTT\n\n00:05.000 --> 00:07.250\nNow <i>turn</i> it.\nSlowly.\n';
    await userEvent.upload(
      screen.getByLabelText('File with captions'),
      new File([vtt], 'toe-in.vtt', { type: 'text/vtt' }),
    );
    await vi.waitFor(() =>
      expect(now()).toEqual([{ from: 5000, to: 7250, text: 'Now turn it.\nSlowly.' }]),
    );
    await userEvent.click(
      await screen.findByRole('button', { name: 'Take away the caption at 0:05' }),
    );
    expect(now()).toEqual([]);
  });

  it('says so when a file has no captions', async () => {
    const change = vi.fn();
    show(<FilmField part={withFilm} change={change} measure={async () => 46} />);
    await userEvent.upload(
      screen.getByLabelText('File with captions'),
      new File(['nothing'], 'notes.vtt', { type: 'text/vtt' }),
    );
    expect(await screen.findByText('There are no captions in “notes.vtt”.')).toBeVisible();
    expect(change).not.toHaveBeenCalled();
  });
});
