import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from '../api/client';
import { failure, institution, lastClient, serve, show } from '../test/stage';
import { endSession } from '../ui/session';
import { App } from './App';

const person = { id: 1, name: 'Sefa Dunmore', email: 'sefa@hollowlane.example' };

describe('where there is no course yet', () => {
  it('an administrator makes the first one', async () => {
    serve({
      'GET /api/session': {
        institution,
        person: { ...person, administrator: true },
        courses: [],
      },
    });
    show(<App />, '/');
    await userEvent.click(await screen.findByRole('button', { name: 'New course' }));
    expect(await screen.findByRole('dialog', { name: 'New course' })).toBeVisible();
  });

  it('others are told whom to ask', async () => {
    serve({
      'GET /api/session': {
        institution,
        person: { ...person, administrator: false },
        courses: [],
      },
    });
    show(<App />, '/');
    expect(await screen.findByText(/Ask whoever runs yours/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'New course' })).toBeNull();
  });
});

describe('somebody whom the server signed out', () => {
  const ruben = { ...person, administrator: false };
  const me = (signedIn: boolean) => ({
    institution,
    ...(signedIn && { person: ruben }),
    courses: [],
  });
  const page = 'Ask whoever runs yours';

  async function signedOut(answers = {}) {
    let there = true;
    const calls = serve({
      'GET /api/session': () => me(there),
      'POST /api/session': () => {
        there = true;
        return me(true);
      },
      ...answers,
    });
    show(<App />, '/');
    expect(await screen.findByText(new RegExp(page))).toBeVisible();
    there = false;
    await lastClient().invalidateQueries({ queryKey: ['me'] });
    expect(await screen.findByRole('dialog', { name: 'Sign in to go on' })).toBeVisible();
    return calls;
  }

  afterEach(endSession);

  it('goes on where they were once they typed their password, and what was not saved is sent', async () => {
    const sent = vi.fn().mockRejectedValueOnce(new ApiError({ detail: 'Sign in', status: 401 }));
    const calls = await signedOut();
    const act = lastClient()
      .getMutationCache()
      .build(lastClient(), { mutationFn: sent, meta: { about: () => 'name' } });
    await act.execute({}).catch(() => {});
    expect(screen.getByText(new RegExp(page))).toBeInTheDocument();
    await userEvent.keyboard('{Escape}');
    await userEvent.type(screen.getByLabelText(/Password/), 'hollow-lane{Enter}');
    await vi.waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
      email: person.email,
      password: 'hollow-lane',
    });
    expect(sent).toHaveBeenCalledTimes(2);
    expect(screen.getByText(new RegExp(page))).toBeVisible();
  });

  it('who types a wrong password is told and stays', async () => {
    await signedOut({ 'POST /api/session': failure(401, { detail: 'That is not right.' }) });
    await userEvent.type(screen.getByLabelText(/Password/), 'other{Enter}');
    expect(await screen.findByText('That is not right.')).toBeVisible();
    expect(screen.getByRole('dialog', { name: 'Sign in to go on' })).toBeVisible();
  });

  it('leaves nothing behind when they leave', async () => {
    await signedOut();
    await userEvent.click(screen.getByRole('button', { name: 'Leave the page' }));
    expect(await screen.findByLabelText(/E-mail/)).toBeVisible();
    expect(screen.queryByText(new RegExp(page))).toBeNull();
  });
});
