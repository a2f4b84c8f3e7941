import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { institution, serve, show } from '../test/stage';
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
