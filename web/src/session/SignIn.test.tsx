import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { failure, institution, serve, show } from '../test/stage';
import SignIn from './SignIn';

async function signIn() {
  await userEvent.type(screen.getByLabelText(/E-mail address/), 'juno@hollowlane.example');
  await userEvent.type(screen.getByLabelText(/Password/), 'hollow-lane');
  await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
}

describe('signing in', () => {
  it('sends what was typed', async () => {
    const calls = serve({ 'POST /api/session': { institution, courses: [] } });
    show(<SignIn />);
    await signIn();
    expect(calls[0]?.body).toEqual({
      email: 'juno@hollowlane.example',
      password: 'hollow-lane',
    });
  });

  it('says what the server says when it refuses, and keeps the address', async () => {
    serve({
      'POST /api/session': failure(401, {
        detail: 'The e-mail address and the password do not belong together.',
      }),
    });
    show(<SignIn />);
    await signIn();
    expect(await screen.findByRole('alert')).toHaveTextContent('do not belong together');
    expect(screen.getByLabelText(/E-mail address/)).toHaveValue('juno@hollowlane.example');
  });
});
