import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { changed, failure, serve, show } from '../test/stage';
import AccountEvents from './AccountEvents';
import People from './People';
import '../i18n/staff';

const at = '2026-11-23T08:00:00Z';
const edda = {
  id: 5,
  name: 'Edda Marsh',
  email: 'edda@hollowlane.example',
  administrator: false,
  hasPassword: true,
  courses: 2,
  added: at,
  lastSignedIn: at,
};
const wren = {
  ...edda,
  id: 6,
  name: 'Wren Castellane',
  email: 'wren@hollowlane.example',
  hasPassword: false,
  lastSignedIn: undefined,
  link: at,
};
const view = (person: object) => ({ person, courses: [], events: [] });
const list = { 'GET /api/people': { all: 34, found: 2, people: [edda, wren] } };
const one = {
  'GET /api/people/5': view(edda),
  'GET /api/people/6': view(wren),
};

const row = (name: string) => screen.getByRole('row', { name: new RegExp(name) });

describe('people of the institution', () => {
  it('are listed with how it stands with their way in', async () => {
    serve(list);
    show(<People />);
    expect(await screen.findByText('2 people')).toBeVisible();
    expect(within(row('Wren')).getByText(/no password yet; link sent/)).toBeVisible();
    expect(within(row('Edda')).getByText(/Mon 23 Nov/)).toBeVisible();
  });

  it('are found by typing, and it is said where more were found than are shown', async () => {
    const calls = serve({ 'GET /api/people': { all: 3000, found: 2500, people: [edda] } });
    show(<People />);
    expect(await screen.findByText('1 of 2,500 people; type to find others')).toBeVisible();
    await userEvent.type(screen.getByLabelText('Find a name or address'), 'ed');
    await waitFor(() => expect(calls.at(-1)?.path).toBe('/api/people?find=ed'));
  });

  it('get links, those who are ticked', async () => {
    const calls = serve({ ...list, 'POST /api/people/links': undefined });
    show(<People />);
    await screen.findByText('2 people');
    await userEvent.click(screen.getByRole('checkbox', { name: 'Wren Castellane' }));
    await userEvent.click(screen.getByRole('button', { name: 'Send 1 link' }));
    expect(await screen.findByText('A letter with a link is on its way.')).toBeVisible();
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({ people: [6] });
  });

  it('are changed field by field, as they were seen', async () => {
    const calls = serve({ ...list, ...one, 'PATCH /api/people/5': view(edda) });
    show(<People />, '/institution/people?sel=5');
    await userEvent.click(await screen.findByRole('switch', { name: 'Administrator' }));
    const name = screen.getByLabelText('Name');
    await userEvent.clear(name);
    await userEvent.type(name, 'Edda Olumide{Enter}');
    expect(changed(calls)).toEqual([{ administrator: true }, { name: 'Edda Olumide' }]);
    expect(calls.find((c) => c.method === 'PATCH')?.body).toEqual({
      from: { administrator: false },
      to: { administrator: true },
    });
  });

  it('keep an address that is refused in sight, with why', async () => {
    const why = 'Somebody else has this address.';
    const taken = failure(422, { detail: why, fields: { email: why } });
    serve({ ...list, ...one, 'PATCH /api/people/5': taken });
    show(<People />, '/institution/people?sel=5');
    const email = await screen.findByLabelText('E-mail address');
    await userEvent.clear(email);
    await userEvent.type(email, 'wren@hollowlane.example{Enter}');
    expect(await screen.findByText(why)).toBeVisible();
    expect(email).toHaveValue('wren@hollowlane.example');
  });

  it('are walked through and ticked by keys', async () => {
    serve({ ...list, ...one });
    show(<People />);
    (await screen.findByRole('group', { name: 'People' })).focus();
    await userEvent.keyboard('jj ');
    expect(screen.getByTestId('address')).toHaveTextContent('sel=6');
    expect(screen.getByRole('checkbox', { name: 'Wren Castellane' })).toBeChecked();
  });
});

describe('adding people', () => {
  async function type(text: string) {
    await userEvent.click(await screen.findByRole('button', { name: /Add people/ }));
    const field = await screen.findByLabelText(/one person a line/);
    await userEvent.click(field);
    await userEvent.paste(text);
    return field;
  }

  it('shows how they were understood, sends them, and says who was here', async () => {
    const calls = serve({
      ...list,
      'POST /api/people': { added: 1, there: ['edda@hollowlane.example'] },
    });
    show(<People />);
    const field = await type('Dov Halloran <dov@hollowlane.example>\nedda@hollowlane.example');
    expect(screen.getByText('Dov Halloran')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Add 2 people' }));
    expect(await screen.findByText(/Here already.*edda@hollowlane/)).toBeVisible();
    expect(field).toHaveValue('');
    expect(calls.find((c) => c.method === 'POST')?.body).toEqual({
      people: [
        { name: 'Dov Halloran', email: 'dov@hollowlane.example' },
        { name: 'Edda', email: 'edda@hollowlane.example' },
      ],
    });
  });

  it('names a line that is not understood and sends nothing', async () => {
    const calls = serve(list);
    show(<People />);
    const field = await type('dov@hollowlane.example\nFemi Strand');
    await userEvent.click(screen.getByRole('button', { name: 'Add 1 person' }));
    expect(screen.getAllByText('Line 2: no e-mail address').length).toBeGreaterThan(0);
    expect(field).toHaveValue('dov@hollowlane.example\nFemi Strand');
    expect(calls.filter((c) => c.method === 'POST')).toEqual([]);
  });

  it('names the line that the server refuses', async () => {
    const why = 'it holds a character that cannot be seen';
    serve({
      ...list,
      'POST /api/people': failure(422, { detail: why, fields: { 'people[1].name': why } }),
    });
    show(<People />);
    await type('Dov <dov@hollowlane.example>\n\nFemi <femi@hollowlane.example>');
    await userEvent.click(screen.getByRole('button', { name: 'Add 2 people' }));
    expect(await screen.findByText(`Line 3: ${why}`)).toBeVisible();
  });
});

describe('what happened to accounts', () => {
  const event = { at, email: 'e', address: '192.0.2.1', detail: '' };

  it('is found by who, what, by whom or from where', async () => {
    serve({
      'GET /api/account-events': [
        { ...event, id: 3, what: 'ADDED', name: 'Wren Castellane', by: 'Sefa Dunmore' },
        { ...event, id: 2, what: 'SIGNED_IN', name: 'Edda Marsh' },
        { ...event, id: 1, what: 'REFUSED', email: 'ghost@x', detail: 'too many tries' },
      ],
    });
    show(<AccountEvents />);
    expect(await screen.findByText('Edda Marsh')).toBeVisible();
    const find = screen.getByLabelText('Find a person, address or event');
    await userEvent.type(find, 'refused');
    expect(screen.queryByText('Edda Marsh')).toBeNull();
    expect(screen.getByText('was refused at signing in (too many tries)')).toBeVisible();
    await userEvent.clear(find);
    await userEvent.type(find, 'sefa');
    expect(screen.getByText('Wren Castellane')).toBeVisible();
  });
});
