import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show } from '../../test/stage';
import FilmField from './FilmField';

const empty = { is: 'video' } as const;
const withFilm = {
  is: 'video',
  film: { file: 9, name: 'toe-in.webm', mediaType: 'video/webm', seconds: 46 },
} as const;
const file = () => new File(['film'], 'toe-in.webm', { type: 'video/webm' });

/** Stands in for the browser's request, which alone tells how far a file is. */
let answer: { status: number; text: string };
const sent: { method: string; path: string; body: unknown }[] = [];
class Request {
  upload: { onprogress?: (event: object) => void } = {};
  onload?: () => void;
  onerror?: () => void;
  status = 0;
  responseText = '';
  private to = { method: '', path: '' };
  open(method: string, path: string) {
    this.to = { method, path };
  }
  setRequestHeader() {}
  send(body: unknown) {
    sent.push({ ...this.to, body });
    this.upload.onprogress?.({ lengthComputable: true, loaded: 1, total: 2 });
    this.status = answer.status;
    this.responseText = answer.text;
    if (answer.status === 0) this.onerror?.();
    else this.onload?.();
  }
}

beforeEach(() => {
  sent.length = 0;
  vi.stubGlobal('XMLHttpRequest', Request);
});
afterEach(() => vi.unstubAllGlobals());

describe('the film of a step', () => {
  it('is sent as it is, and put in the step with its length', async () => {
    answer = { status: 201, text: '{"id":9,"name":"toe-in.webm"}' };
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
    expect(sent).toEqual([
      { method: 'POST', path: '/api/courses/2/design/films?name=toe-in.webm', body: film },
    ]);
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
    expect(sent).toEqual([]);
    expect(change).not.toHaveBeenCalled();
  });

  it('that the server refuses says why', async () => {
    answer = { status: 422, text: '{"detail":"“toe-in.webm” is text/html."}' };
    show(<FilmField part={empty} change={vi.fn()} measure={async () => 46} />);
    await userEvent.upload(screen.getByLabelText('Film'), file());
    expect(await screen.findByRole('alert')).toHaveTextContent('is text/html');
  });

  it('that breaks off on its way says so', async () => {
    answer = { status: 0, text: '' };
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
      '/api/courses/2/design/films/9',
    );
    expect(screen.getByRole('button', { name: 'Replace the film' })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Take away' }));
    expect(change).toHaveBeenCalledWith({ part: { is: 'video' } });
  });
});
