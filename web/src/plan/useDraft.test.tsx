import { useQuery } from '@tanstack/react-query';
import { act, fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, body, type DesignModule } from '../api/client';
import { queries } from '../api/queries';
import { SavingState } from '../frame/SavingState';
import { network } from '../test/network';
import { failure, serve, show } from '../test/stage';
import { SavedField } from '../ui/SavedField';
import { endSession } from '../ui/session';
import UndoButton from './undo/UndoButton';
import { useDraft } from './useDraft';

interface Fields {
  from: Record<string, unknown>;
  to: object;
}

/** A draft of one module as a server keeps it, that compares what was seen. */
function keeping(course: number) {
  const module = { id: course, version: 1, name: 'Brakes', published: true, strictOrder: false };
  const at = `/api/courses/${course}/design`;
  const state = {
    module: { ...module, listed: true, tells: true, staysOpen: true, steps: [] },
    down: false,
  };
  const answers: Record<string, unknown> = {
    [`GET ${at}`]: () => ({ modules: [state.module], outcomes: [], badges: [], scales: [] }),
    [`PATCH ${at}/modules/${course}`]: (call: { body: Fields }) => {
      if (state.down) return failure(503, { detail: 'Not now.' });
      if (Object.entries(call.body.to).some(([, is]) => is === ''))
        return failure(422, {
          detail: 'Name: must not be empty',
          fields: { name: 'must not be empty' },
        });
      const now = state.module as Record<string, unknown>;
      if (Object.entries(call.body.from).some(([field, was]) => now[field] !== was))
        return failure(409, { detail: 'Changed meanwhile.', current: state.module });
      state.module = { ...state.module, ...call.body.to, version: state.module.version + 1 };
      return state.module;
    },
    [`DELETE ${at}/modules/${course}`]: undefined,
    [`DELETE ${at}/modules/7`]: undefined,
    [`POST ${at}/modules`]: { ...module, id: 7 },
    [`POST ${at}/modules/${course}/restoration`]: undefined,
  };
  return { state, calls: serve(answers) };
}

function Editor({ course }: { course: number }) {
  const draft = useDraft(course);
  const [added, setAdded] = useState('');
  const design = useQuery(queries.design(course));
  const module = design.data?.modules[0] as DesignModule | undefined;
  if (!module) return null;
  return (
    <>
      <h1>{module.name}</h1>
      <button type="button" onClick={() => draft.module(module, { name: 'Brakes and pads' })}>
        rename
      </button>
      <button type="button" onClick={() => draft.module(module, { strictOrder: true })}>
        order
      </button>
      <button type="button" onClick={() => draft.remove('modules', module.id, module.name)}>
        remove
      </button>
      <button
        type="button"
        onClick={() =>
          draft.add(
            'modules',
            () =>
              body(
                api.POST('/api/courses/{course}/design/modules', {
                  params: { path: { course } },
                  body: { name: 'New' },
                }),
              ),
            () => setAdded('added'),
          )
        }
      >
        add
      </button>
      <p>{added}</p>
      <SavedField
        label="Name"
        value={module.name}
        onSave={(name) => draft.module(module, { name })}
      />
      <UndoButton course={course} />
      <input aria-label="text" />
    </>
  );
}

describe('a draft', () => {
  let course = 100;
  beforeEach(() => {
    course++; // what was saved and can be undone is kept beyond a view
  });

  it('sends the field that changed, as it was seen and as it is to be, and no other', async () => {
    const { state, calls } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    expect(await screen.findByRole('heading', { name: 'Brakes and pads' })).toBeInTheDocument();
    expect(calls.find((c) => c.method === 'PATCH')?.body).toEqual({
      from: { name: 'Brakes' },
      to: { name: 'Brakes and pads' },
    });
    expect(state.module.version).toBe(2);
  });

  it('leaves what a colleague has changed beside it, and sends nothing for nothing', async () => {
    const { state, calls } = keeping(course);
    show(<Editor course={course} />);
    const rename = await screen.findByText('rename');
    Object.assign(state.module, { published: false, version: 9 });
    await userEvent.click(rename);
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes and pads'));
    expect(state.module.published).toBe(false);
    await screen.findByRole('heading', { name: 'Brakes and pads' });
    await userEvent.click(screen.getByText('order'));
    await userEvent.click(rename);
    await vi.waitFor(() => expect(state.module.strictOrder).toBe(true));
    expect(calls.filter((c) => c.method === 'PATCH')).toHaveLength(2);
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    await vi.waitFor(() => expect(state.module.strictOrder).toBe(false));
  });

  it('says at its field why something was refused, and nothing there of an outage', async () => {
    const { state } = keeping(course);
    show(
      <>
        <SavingState />
        <Editor course={course} />
      </>,
    );
    const name = await screen.findByRole('textbox', { name: 'Name' });
    await userEvent.clear(name);
    await userEvent.type(name, '{Enter}');
    await vi.waitFor(() => expect(name).toHaveAccessibleDescription('must not be empty'));
    expect(state.module.name).toBe('Brakes');
    expect(screen.getByTitle('Name: must not be empty')).toBeInTheDocument();
    await userEvent.type(name, 'W{Escape}');
    expect(screen.queryByTitle('Name: must not be empty')).not.toBeInTheDocument();
    expect(name).toHaveValue('Brakes');
    state.down = true;
    await userEvent.clear(name);
    await userEvent.type(name, 'Wheels{Enter}');
    await screen.findAllByText(/Not now/);
    expect(name).toBeValid();
    expect(name).toHaveValue('Wheels');
  });

  it('builds a second quick change on the first instead of undoing it', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    const rename = await screen.findByText('rename');
    fireEvent.click(rename);
    fireEvent.click(screen.getByText('order'));
    await vi.waitFor(() => expect(state.module.version).toBe(3));
    expect(state.module).toMatchObject({ name: 'Brakes and pads', strictOrder: true });
  });

  it('takes the last change back with Ctrl Z, but not while somebody types', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await screen.findByRole('heading', { name: 'Brakes and pads' });
    fireEvent.keyDown(screen.getByLabelText('text'), { key: 'z', ctrlKey: true });
    expect(state.module.name).toBe('Brakes and pads');
    fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
    expect(await screen.findByRole('heading', { name: 'Brakes' })).toBeInTheDocument();
    expect(state.module.version).toBe(3);
  });

  it('takes back what it changed and leaves what a colleague has changed since', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes and pads'));
    state.module = { ...state.module, published: false, version: state.module.version + 1 };
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes'));
    expect(state.module.published).toBe(false);
  });

  it('takes nothing back over a colleague’s change of the same, and says so', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes and pads'));
    state.module = { ...state.module, name: 'Stopping', version: state.module.version + 1 };
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    expect(await screen.findByText(/nothing was undone/)).toBeInTheDocument();
    expect(state.module.name).toBe('Stopping');
  });

  it('takes away what was added only as it was left', async () => {
    const { calls } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('add'));
    await vi.waitFor(() => expect(calls.some((c) => c.method === 'POST')).toBe(true));
    await screen.findByText('added');
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    await vi.waitFor(() => expect(calls.find((c) => c.method === 'DELETE')?.version).toBe('"1"'));
  });

  it('can be asked again to undo what no server heard', async () => {
    const { state, calls } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes and pads'));
    state.down = true;
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    expect(await screen.findByText('Not now.')).toBeInTheDocument();
    state.down = false;
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes'));
    expect(calls.filter((c) => c.method === 'PATCH')).toHaveLength(3);
  });

  it('can be asked again to undo when there was no connection at all', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes and pads'));
    const answer = network.answer;
    network.answer = (request) =>
      request.method === 'PATCH' ? Promise.reject(new TypeError('Failed')) : answer(request);
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    expect(await screen.findByText(/server cannot be reached/)).toBeInTheDocument();
    network.answer = answer;
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes'));
  });

  it('shows the newer version when somebody else was faster, and says so', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    const rename = await screen.findByText('rename');
    Object.assign(state.module, { name: 'Stopping', version: 5 });
    await userEvent.click(rename);
    expect(await screen.findByRole('alert')).toBeInTheDocument();
    expect(await screen.findByRole('heading', { name: 'Stopping' })).toBeInTheDocument();
    expect(state.module.version).toBe(5);
  });

  it('removes with a way back in the notice', async () => {
    const { calls } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('remove'));
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await vi.waitFor(() =>
      expect(calls.map((c) => c.path)).toContain(
        `/api/courses/${course}/design/modules/${course}/restoration`,
      ),
    );
  });

  it('names what the next undo takes back, also after the page was left and opened again', async () => {
    const { state } = keeping(course);
    const page = show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await screen.findByRole('button', { name: 'Undo: name of “Brakes”' });
    await userEvent.click(screen.getByText('order'));
    await screen.findByRole('button', { name: 'Undo: strict order of “Brakes and pads”' });
    page.unmount();
    show(<Editor course={course} />);
    await userEvent.click(
      await screen.findByRole('button', { name: 'Undo: strict order of “Brakes and pads”' }),
    );
    expect(await screen.findByText(/^Undone: strict order/)).toBeInTheDocument();
    expect(state.module).toMatchObject({ name: 'Brakes and pads', strictOrder: false });
    expect(
      await screen.findByRole('button', { name: 'Undo: name of “Brakes”' }),
    ).toBeInTheDocument();
  });

  it('undoes an earlier edit from the list and leaves what was done since', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await screen.findByRole('button', { name: /^Undo: name/ });
    await userEvent.click(screen.getByText('order'));
    await screen.findByRole('button', { name: /^Undo: strict order/ });
    await userEvent.click(screen.getByRole('button', { name: 'Last edits' }));
    await userEvent.click(await screen.findByRole('menuitem', { name: /^Undo: name of “Brakes”/ }));
    await vi.waitFor(() =>
      expect(state.module).toMatchObject({ name: 'Brakes', strictOrder: true }),
    );
  });

  it('undoes what is still being saved, and not what was done before it', async () => {
    const { state } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await screen.findByRole('button', { name: /^Undo: name/ });
    fireEvent.click(screen.getByText('order'));
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    expect(await screen.findByText(/^Undone: strict order/)).toBeInTheDocument();
    expect(state.module).toMatchObject({ name: 'Brakes and pads', strictOrder: false });
  });

  it('undoes once what was asked for twice', async () => {
    const { state, calls } = keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    const undo = await screen.findByRole('button', { name: /^Undo: name/ });
    fireEvent.click(undo);
    fireEvent.click(undo);
    await vi.waitFor(() => expect(state.module.name).toBe('Brakes'));
    await vi.waitFor(() => expect(screen.queryByRole('button', { name: /^Undo:/ })).toBeNull());
    expect(calls.filter((c) => c.method === 'PATCH')).toHaveLength(2);
  });

  it('forgets what can be undone when whoever did it leaves', async () => {
    keeping(course);
    show(<Editor course={course} />);
    await userEvent.click(await screen.findByText('rename'));
    await screen.findByRole('button', { name: /^Undo: name/ });
    act(() => endSession());
    expect(screen.queryByRole('button', { name: /^Undo:/ })).toBeNull();
  });
});
