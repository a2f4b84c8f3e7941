import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { StepPage } from '../../api/client';
import { failure, serve, show } from '../../test/stage';
import type { LearnerProps } from '../room';
import Learner from './Learner';

const page = (more: object = {}) =>
  ({ id: 14, name: 'Brake job card', kind: 'ASSIGNMENT', state: 'OPEN', ...more }) as StepPage;
const mark = {
  judgement: 'AGAIN',
  points: 6,
  of: 20,
  comment: 'Say what it costs.',
  at: '2026-11-12T10:00:00Z',
  levels: ['Explain work and cost to a rider: With help'],
};
const at = '/api/courses/2/walks/mine/steps/14/versions';
const props = (p = page()) => ({ page: p, walk: 'mine' as const, show: vi.fn(), refresh: vi.fn() });
const work = (canHandIn: boolean, versions: object[] = [], more: object = {}) =>
  ({
    is: 'assignment',
    canHandIn,
    takes: { text: true, link: false },
    passesAtOnce: false,
    versions: versions.map((v) => ({ link: '', files: [], late: false, ...v })),
    ...more,
  }) as unknown as LearnerProps<'assignment'>['part'];
const kept = (id: number, name: string) => ({ id, name, mediaType: 'text/plain', bytes: 1400 });

const sendInPieces = vi.hoisted(() => vi.fn(async () => 'sent-1'));
vi.mock('../../api/files', () => ({ sendInPieces }));

vi.mock('../../ui/editor/TextEditor', () => ({
  default: (editor: { label: string; html: string; onChange: (html: string) => void }) => (
    <textarea
      aria-label={editor.label}
      defaultValue={editor.html}
      onChange={(e) => editor.onChange(e.target.value)}
    />
  ),
}));
const own = () => screen.findByRole('textbox', { name: 'Your work' });

beforeEach(() => localStorage.clear());

describe('an assignment', () => {
  it('is handed in as text, and the draft is forgotten then', async () => {
    const calls = serve({ [`POST ${at}`]: page({ state: 'WAITING' }) });
    const p = props();
    show(<Learner {...p} part={work(true)} />);
    expect(screen.getByRole('button', { name: 'Hand in' })).toBeDisabled();
    localStorage.setItem('yendrik-work-0-2-mine-14', '{}');
    await userEvent.type(await own(), 'Two pads.');
    await userEvent.click(screen.getByRole('button', { name: 'Hand in' }));
    await vi.waitFor(() => expect(p.show).toHaveBeenCalled());
    expect(calls[0]?.body).toEqual({ text: 'Two pads.' });
    expect(localStorage.getItem('yendrik-work-0-2-mine-14')).toBeNull();
  });

  it('is nothing as long as its text says and shows nothing', async () => {
    show(<Learner {...props()} part={work(true)} />);
    const handIn = screen.getByRole('button', { name: 'Hand in' });
    await userEvent.type(await own(), '<p> </p>');
    expect(handIn).toBeDisabled();
    await userEvent.type(await own(), '<img data-file="4">');
    expect(handIn).toBeEnabled();
  });

  it('keeps the text when handing in fails', async () => {
    serve({ [`POST ${at}`]: failure(409, { detail: 'This waits for marking already.' }) });
    show(<Learner {...props()} part={work(true)} />);
    localStorage.setItem('yendrik-work-0-2-mine-14', 'kept');
    await userEvent.type(await own(), 'Two pads.');
    await userEvent.click(screen.getByRole('button', { name: 'Hand in' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('waits for marking already');
    expect(await own()).toHaveValue('Two pads.');
    expect(localStorage.getItem('yendrik-work-0-2-mine-14')).toBe('kept');
  });

  it('shows every version with what came back, and waits without a form', () => {
    const versions = [
      { version: 2, at: '2026-11-20T10:00:00Z', text: 'Second try.' },
      { version: 1, at: '2026-11-10T10:00:00Z', text: 'First try.', mark },
    ];
    show(<Learner {...props(page({ state: 'WAITING' }))} part={work(false, versions)} />);
    expect(screen.queryByRole('textbox')).not.toBeInTheDocument();
    expect(screen.getByText('Say what it costs.')).toBeInTheDocument();
    expect(screen.getByText(/6 of 20/)).toBeInTheDocument();
    expect(screen.getByText('Explain work and cost to a rider: With help')).toBeInTheDocument();
    expect(screen.getAllByRole('heading').map((h) => h.textContent)).toEqual([
      expect.stringContaining('2'),
      expect.stringContaining('1'),
    ]);
  });

  it('takes files and a link, says which, and hands them in without a text', async () => {
    const calls = serve({
      [`POST ${at}`]: page({ state: 'WAITING' }),
      'POST /api/courses/2/walks/mine/steps/14/work-files': kept(5, 'card.txt'),
      'PUT /api/courses/2/walks/mine/steps/14/draft': undefined,
    });
    const takes = {
      text: false,
      link: true,
      files: { sorts: ['TEXT', 'PICTURE'], number: 2, megabytes: 10 },
    };
    show(<Learner {...props()} part={work(true, [], { takes })} />);
    expect(screen.getByText('Up to 2 files, 10 MB each: texts, pictures')).toBeInTheDocument();
    await userEvent.upload(screen.getByLabelText('Add files'), new File(['x'], 'card.txt'));
    expect(await screen.findByText('card.txt')).toBeInTheDocument();
    const handIn = screen.getByRole('button', { name: 'Hand in' });
    expect(handIn).toHaveAccessibleDescription(
      'There is no link with it. Once handed in, it can be changed only after staff have looked at it.',
    );
    await userEvent.type(screen.getByLabelText('Link'), 'hollowlane.example{Enter}');
    expect(calls.filter((c) => c.path === at)).toEqual([]);
    expect(handIn).not.toHaveAccessibleDescription(/no link/);
    await userEvent.click(screen.getByRole('button', { name: 'Hand in' }));
    await vi.waitFor(() =>
      expect(calls.filter((c) => c.path === at).map((c) => c.body)).toEqual([
        { text: '', link: 'hollowlane.example', files: [5] },
      ]),
    );
  });

  it('goes on with what was begun at another computer', async () => {
    const draft = { text: 'Half a card', link: '', files: [kept(5, 'card.txt')], at: '' };
    const takes = { text: true, link: false, files: { sorts: [], number: 3, megabytes: 10 } };
    show(<Learner {...props()} part={work(true, [], { takes, draft })} />);
    expect(await own()).toHaveValue('Half a card');
    expect(screen.getByText('card.txt')).toBeInTheDocument();
  });

  it('shows what changed from one version to the next', async () => {
    const versions = [
      { version: 2, at: '2026-11-20T10:00:00Z', text: 'Two new pads.' },
      { version: 1, at: '2026-11-10T10:00:00Z', text: 'Two old pads.', mark },
    ];
    show(<Learner {...props(page({ state: 'WAITING' }))} part={work(false, versions)} />);
    await userEvent.click(screen.getByRole('button', { name: 'Show what changed' }));
    expect(await screen.findByText('new', { selector: 'ins' })).toBeInTheDocument();
    expect(screen.getByText('old', { selector: 'del' })).toBeInTheDocument();
  });

  it('is marked by whoever walks as a made-up learner', async () => {
    const calls = serve({
      'POST /api/courses/2/walks/practice/steps/14/practice-marks': page({ state: 'DONE' }),
    });
    const p = { ...props(page({ state: 'WAITING' })), walk: 'practice' as const };
    show(<Learner {...p} part={work(false)} />);
    const buttons = screen.getAllByRole('button');
    expect(buttons).toHaveLength(2);
    await userEvent.click(buttons[1] as HTMLElement);
    await vi.waitFor(() => expect(calls[0]?.body).toEqual({ judgement: 'AGAIN' }));
  });
});
