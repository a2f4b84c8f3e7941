import { fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import StepView from '../../learn/StepView';
import { failure, serve, show } from '../../test/stage';

const page = {
  id: 12,
  name: 'Toe-in',
  kind: 'VIDEO',
  module: 'Brakes',
  state: 'BEGUN',
  overdue: false,
  outOfReach: false,
  minutes: 1,
  body: '<p>Without sound.</p>',
  doneWhen: {
    id: 'n1',
    is: 'ask',
    n: 0,
    subject: '',
    says: 'watch 90 % of it',
    verdict: 'NOT_YET',
    fraction: 0.4,
    parts: [],
  },
  confirmable: false,
  confirmed: false,
  part: {
    is: 'video',
    film: {
      name: 'toe-in.webm',
      mediaType: 'video/webm',
      seconds: 46,
      watched: 19 / 46,
      parts: [0, 19],
      captions: [{ from: 20_000, to: 24_000, text: 'Now turn it.' }],
    },
  },
  evidenceFor: [],
  opened: [],
};
const at = '/api/courses/2/walks/mine/steps/12';

async function film(): Promise<HTMLVideoElement> {
  return (await screen.findByLabelText('Toe-in')) as HTMLVideoElement;
}

/** The film stands at a moment, as the browser tells while it plays. */
function standAt(video: HTMLVideoElement, seconds: number) {
  Object.defineProperty(video, 'currentTime', {
    value: seconds,
    configurable: true,
    writable: true,
  });
  fireEvent.timeUpdate(video);
}

const open = () => show(<StepView walk="mine" />, '/c/2/my/steps/12', { role: undefined });

vi.mock('react-router', async (original) => ({
  ...(await original<typeof import('react-router')>()),
  useParams: () => ({ step: '12' }),
}));

beforeEach(() => {
  HTMLMediaElement.prototype.play = vi.fn(() => Promise.resolve());
});

describe('a film', () => {
  it('says how much of it was watched, what is asked for, and shows which parts', async () => {
    serve({ [`POST ${at}/visits`]: page });
    open();
    expect(await screen.findByText('41 % of 0:46 watched')).toBeInTheDocument();
    expect(screen.getByText('Done when you watch 90 % of it.')).toBeInTheDocument();
    expect(screen.getByRole('img', { name: '41 % watched' })).toBeInTheDocument();
    expect(await film()).toHaveAttribute('src', `${at}/film`);
  });

  it('tells the server every ten seconds and when it is stopped', async () => {
    const calls = serve({ [`POST ${at}/visits`]: page, [`POST ${at}/played`]: page });
    open();
    const video = await film();
    for (let s = 20; s <= 30; s += 1) standAt(video, s);
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.path.endsWith('/played')).map((c) => c.body)).toEqual([
        { from: 20, to: 30 },
      ]),
    );
    standAt(video, 31.4);
    standAt(video, 32.6);
    fireEvent.pause(video);
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.path.endsWith('/played')).map((c) => c.body)).toContainEqual({
        from: 30,
        to: 33,
      }),
    );
  });

  it('never counts what was jumped over', async () => {
    const calls = serve({ [`POST ${at}/visits`]: page, [`POST ${at}/played`]: page });
    open();
    const video = await film();
    standAt(video, 0);
    standAt(video, 1);
    fireEvent.seeking(video);
    standAt(video, 40);
    standAt(video, 41);
    fireEvent.pause(video);
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.path.endsWith('/played')).map((c) => c.body)).toEqual([
        { from: 0, to: 1 },
        { from: 40, to: 41 },
      ]),
    );
  });

  it('goes on where the first second is missing', async () => {
    serve({ [`POST ${at}/visits`]: page });
    open();
    await userEvent.click(await screen.findByRole('button', { name: 'Go on at 0:19' }));
    expect((await film()).currentTime).toBe(19);
    expect(HTMLMediaElement.prototype.play).toHaveBeenCalled();
  });

  it('says so when what is watched cannot be kept', async () => {
    serve({
      [`POST ${at}/visits`]: page,
      [`POST ${at}/played`]: failure(503, { detail: 'down' }),
    });
    open();
    const video = await film();
    standAt(video, 0);
    standAt(video, 1.6);
    fireEvent.pause(video);
    expect(await screen.findByRole('alert')).toHaveTextContent('cannot be kept');
  });

  it('says when all of it opens the next step', async () => {
    serve({
      [`POST ${at}/visits`]: page,
      [`POST ${at}/played`]: {
        ...page,
        state: 'DONE',
        part: { is: 'video', film: { ...page.part.film, watched: 1, parts: [0, 46] } },
        opened: ['Limits, cable tension, indexing'],
      },
    });
    open();
    const video = await film();
    standAt(video, 44);
    standAt(video, 45.9);
    fireEvent.pause(video);
    expect(await screen.findByText('100 % of 0:46 watched')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /Go on at/ })).not.toBeInTheDocument();
    expect(await screen.findByText(/Limits, cable tension/)).toBeInTheDocument();
  });

  it('shows its captions until they are put away, and is played by keys', async () => {
    serve({ [`POST ${at}/visits`]: page, [`POST ${at}/played`]: page });
    open();
    const video = await film();
    standAt(video, 21);
    expect(screen.getByText('Now turn it.')).toBeVisible();
    const stage = video.parentElement as HTMLElement;
    stage.focus();
    await userEvent.keyboard('c');
    expect(screen.queryByText('Now turn it.')).not.toBeInTheDocument();
    await userEvent.keyboard('c');
    await userEvent.keyboard('{ArrowLeft}');
    expect(video.currentTime).toBe(16);
    await userEvent.keyboard('k');
    expect(HTMLMediaElement.prototype.play).toHaveBeenCalled();
    await userEvent.keyboard('-');
    expect(video.playbackRate).toBe(0.75);
    await userEvent.keyboard('+');
    expect(video.playbackRate).toBe(1);
  });

  it('does not count what plays in a hidden tab', async () => {
    const calls = serve({ [`POST ${at}/visits`]: page, [`POST ${at}/played`]: page });
    open();
    const video = await film();
    standAt(video, 0);
    standAt(video, 1);
    vi.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
    for (let s = 2; s < 12; s += 1) standAt(video, s);
    vi.restoreAllMocks();
    standAt(video, 12);
    standAt(video, 13);
    fireEvent.pause(video);
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.path.endsWith('/played')).map((c) => c.body)).toEqual([
        { from: 0, to: 1 },
        { from: 12, to: 13 },
      ]),
    );
  });
});
