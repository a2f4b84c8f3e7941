import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { failure, serve, show } from '../test/stage';
import Forgotten from './Forgotten';
import NewPassword from './NewPassword';
import PasswordDialog from './PasswordDialog';
import SessionsDialog from './SessionsDialog';

const own = {
  began: '2026-11-20T08:00:00Z',
  lastUsed: '2026-11-23T08:00:00Z',
  address: '192.0.2.1',
};

describe('a link that sets a password', () => {
  it('sends its secret with the password', async () => {
    const calls = serve({
      'POST /api/passwords': { email: 'edda@hollowlane.example' },
      'GET /api/session': {},
    });
    show(<NewPassword />, '/password#secret');
    await userEvent.type(screen.getByLabelText(/New password/), 'lantern goose ochre');
    await userEvent.click(screen.getByRole('button', { name: 'Set password' }));
    expect(calls[0]?.body).toEqual({ token: 'secret', password: 'lantern goose ochre' });
  });

  it('says at the field why a password is refused, and that a link is not whole', async () => {
    serve({
      'POST /api/passwords': failure(422, {
        detail: 'password: too short',
        fields: { password: 'A password has 10 characters or more.' },
      }),
    });
    show(<NewPassword />, '/password#secret');
    await userEvent.type(screen.getByLabelText(/New password/), 'short');
    await userEvent.click(screen.getByRole('button', { name: 'Set password' }));
    expect(await screen.findByText('A password has 10 characters or more.')).toBeVisible();
  });

  it('cannot be used without its secret', () => {
    serve({});
    show(<NewPassword />, '/password');
    expect(screen.getByRole('alert')).toHaveTextContent('not whole');
    expect(screen.getByRole('button', { name: 'Set password' })).toBeDisabled();
  });
});

describe('changing the password', () => {
  it('sends both and says what it did', async () => {
    const calls = serve({ 'PUT /api/account/password': {} });
    show(<PasswordDialog onClose={() => {}} />);
    await userEvent.type(screen.getByLabelText('Password until now'), 'hollow-lane');
    await userEvent.type(screen.getByLabelText('New password'), 'lantern goose ochre');
    await userEvent.click(screen.getByRole('button', { name: 'Set password' }));
    expect(await screen.findByText(/signed out everywhere else/)).toBeVisible();
    expect(calls[0]?.body).toEqual({ now: 'hollow-lane', next: 'lantern goose ochre' });
  });
});

describe('where one is signed in', () => {
  it('ends one of them, never the one that asks', async () => {
    const calls = serve({
      'GET /api/account/sessions': [
        { ...own, id: 'a', browser: '', here: true },
        { ...own, id: 'b', browser: 'Another, on a phone', here: false },
      ],
      'DELETE /api/account/sessions/b': {},
    });
    show(<SessionsDialog onClose={() => {}} />);
    const other = (await screen.findByText('Another, on a phone')).closest('li') as HTMLElement;
    expect(screen.getAllByRole('button', { name: 'Sign out there' })).toHaveLength(1);
    await userEvent.click(within(other).getByRole('button', { name: 'Sign out there' }));
    expect(await screen.findByText('Signed out there.')).toBeVisible();
    expect(calls.map((c) => `${c.method} ${c.path}`)).toContain('DELETE /api/account/sessions/b');
  });
});

describe('a forgotten password', () => {
  it('has a link sent to an address and tells nobody whether it is known', async () => {
    const calls = serve({ 'POST /api/passwords/links': undefined });
    show(<Forgotten />);
    await userEvent.type(screen.getByLabelText(/E-mail address/), 'edda@hollowlane.example');
    await userEvent.click(screen.getByRole('button', { name: 'Send link' }));
    expect(await screen.findByText(/If this address belongs to an account/)).toBeVisible();
    expect(calls[0]?.body).toEqual({ email: 'edda@hollowlane.example' });
    expect(screen.getByRole('button', { name: 'Send link' })).toBeDisabled();
  });

  it('is a way on where a link was used already', async () => {
    serve({ 'POST /api/passwords': failure(409, { detail: 'This link has been used.' }) });
    show(<NewPassword />, '/password#secret');
    await userEvent.type(screen.getByLabelText(/New password/), 'lantern goose ochre');
    await userEvent.click(screen.getByRole('button', { name: 'Set password' }));
    expect(await screen.findByRole('link', { name: /another link/ })).toHaveAttribute(
      'href',
      '/forgotten',
    );
  });
});
