import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { failure, serve, show } from '../test/stage';
import { AskButton } from './AskButton';
import MyCalendar from './MyCalendar';

const at = '/api/courses/2/walks/mine/calendar';
const dates = [
  { id: 'due-3', is: 'DUE', name: 'Fault report', at: '2026-11-10T17:00:00Z', step: 3, open: true },
  { id: 'due-4', is: 'DUE', name: 'Job card', at: '2026-11-11T17:00:00Z', step: 4, open: false },
  {
    id: 'session-5',
    is: 'SESSION',
    name: 'Saturday bench',
    at: '2026-11-28T10:00:00Z',
    until: '2026-11-28T13:00:00Z',
    open: false,
  },
  { id: 'opens-6', is: 'OPENS', name: 'Wheels', at: '2026-12-02T08:00:00Z', step: 6, open: false },
];

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers({ now: new Date('2026-11-25T09:00:00Z'), toFake: ['Date'] });
});

describe('the calendar', () => {
  it('shows week by week what comes, first what is overdue, and what is over when asked', async () => {
    serve({ [`GET ${at}`]: dates });
    show(<MyCalendar walk="mine" />);
    const [late, week, next] = await screen.findAllByRole('list');
    expect(screen.getByRole('heading', { name: 'Overdue' })).toBeVisible();
    expect(
      within(late as HTMLElement).getByRole('link', { name: 'Fault report due' }),
    ).toBeVisible();
    expect(within(week as HTMLElement).getByText('Saturday bench')).toBeVisible();
    expect(within(next as HTMLElement).getByText('Wheels opens')).toBeVisible();
    expect(screen.queryByText('Job card due')).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Show what is over' }));
    expect(screen.getByText('Job card due')).toBeVisible();
  });

  it('says so when nothing has a date', async () => {
    serve({ [`GET ${at}`]: [] });
    show(<MyCalendar walk="mine" />);
    expect(await screen.findByText('Nothing has a date here')).toBeVisible();
  });

  it('tells a private address once, and ends it', async () => {
    const feed = { since: '2026-11-25T09:00:00Z' };
    const calls = serve({
      [`GET ${at}`]: dates,
      'GET /api/account/calendar': feed,
      'POST /api/account/calendar': { ...feed, address: 'https://x.example/api/calendars/secret' },
      'DELETE /api/account/calendar': undefined,
    });
    show(<MyCalendar walk="mine" />);
    await userEvent.click(await screen.findByRole('button', { name: 'In your own calendar …' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Make a new address' }));
    expect(await screen.findByLabelText('Private address')).toHaveValue(
      'https://x.example/api/calendars/secret',
    );
    await userEvent.click(screen.getByRole('button', { name: 'End the address' }));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'DELETE')).toBe(true));
    await vi.waitFor(() =>
      expect(screen.queryByLabelText('Private address')).not.toBeInTheDocument(),
    );
  });
});

describe('a question to staff', () => {
  const questions = 'POST /api/courses/2/walks/mine/questions';

  it('says whom it went to, and names the step', async () => {
    const calls = serve({ [questions]: { staff: ['Priya Nakamura', 'Tomas Weir'] } });
    show(<AskButton walk="mine" step={12} />);
    await userEvent.click(screen.getByRole('button', { name: 'Ask staff …' }));
    await userEvent.type(await screen.findByLabelText('Your question'), 'Which grease?');
    await userEvent.keyboard('{Control>}{Enter}{/Control}');
    expect(await screen.findByText(/on its way to Priya Nakamura, Tomas Weir/)).toBeVisible();
    expect(calls[0]?.body).toEqual({ text: 'Which grease?', step: 12 });
  });

  it('that was refused is still there, also when one comes back', async () => {
    serve({ [questions]: failure(409, { detail: 'Nobody can be asked yet.' }) });
    show(<AskButton walk="mine" />);
    await userEvent.click(screen.getByRole('button', { name: 'Ask staff …' }));
    await userEvent.type(await screen.findByLabelText('Your question'), 'Anybody?');
    await userEvent.click(screen.getByRole('button', { name: 'Send the question' }));
    expect(await screen.findByText('Nobody can be asked yet.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Cancel' }));
    await userEvent.click(screen.getByRole('button', { name: 'Ask staff …' }));
    expect(await screen.findByLabelText('Your question')).toHaveValue('Anybody?');
  });

  it('comes from nobody made up', () => {
    serve({});
    show(<AskButton walk="practice" />);
    expect(screen.queryByRole('button')).not.toBeInTheDocument();
  });
});
