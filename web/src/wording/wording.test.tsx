import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { StepWords } from '../plan/StepWords';
import type { Draft } from '../plan/useDraft';
import { design, step } from '../test/fixtures';
import { type Call, failure, serve, show } from '../test/stage';
import CourseWording from './CourseWording';
import InstitutionLook from './InstitutionLook';
import '../i18n/staff';

/** The last change that was sent. */
const sent = (calls: Call[]) => calls.filter((c) => c.method === 'PATCH').at(-1)?.body;

const nothing = { handedIn: '', waiting: '', passed: '', again: '', done: '', completed: '' };
const otherwise = { ...nothing, passed: 'Passed', handedIn: '“{step}” is handed in.' };
const wording = { own: nothing, otherwise };

describe('what a course says to its learners', () => {
  it('stands in grey as it is said elsewhere, and is read with names in it', async () => {
    serve({ 'GET /api/courses/2/wording': wording });
    show(<CourseWording />);
    expect(await screen.findByLabelText('When it is passed')).toHaveAttribute(
      'placeholder',
      'Passed',
    );
    expect(screen.getByText(/would read it: “name of the step” is handed in/)).toBeVisible();
  });

  it('is written with names put in, is kept when the field is left, and can be taken back', async () => {
    const calls = serve({
      'GET /api/courses/2/wording': wording,
      'PATCH /api/courses/2/wording': {
        ...wording,
        own: { ...nothing, passed: 'Well done, {learner}' },
      },
    });
    show(<CourseWording />);
    await userEvent.type(await screen.findByLabelText('When it is passed'), 'Well done, ');
    await userEvent.click(screen.getByRole('button', { name: 'learner’s name' }));
    expect(calls.some((c) => c.method === 'PATCH')).toBe(false);
    await userEvent.click(screen.getByText(/in your own words/));
    await waitFor(() =>
      expect(sent(calls)).toEqual({
        from: { passed: '' },
        to: { passed: 'Well done, {learner}' },
      }),
    );
    await userEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await waitFor(() =>
      expect(sent(calls)).toEqual({
        from: { passed: 'Well done, {learner}' },
        to: { passed: '' },
      }),
    );
  });

  it('says what is wrong and keeps what was typed', async () => {
    serve({
      'GET /api/courses/2/wording': wording,
      'PATCH /api/courses/2/wording': failure(422, { detail: '“{name}” stands for nothing here.' }),
    });
    show(<CourseWording />);
    const field = await screen.findByLabelText('When it is done');
    await userEvent.type(field, 'Hello {{name}');
    await userEvent.click(screen.getByText(/in your own words/));
    expect(await screen.findByText('“{name}” stands for nothing here.')).toBeVisible();
    expect(field).toHaveValue('Hello {name}');
  });
});

describe('what a step says to its learners', () => {
  it('is asked for only at moments that it has, and says what its course says otherwise', async () => {
    serve({
      'GET /api/courses/2/wording': { own: { ...nothing, again: 'Once more.' }, otherwise },
    });
    const changes: object[] = [];
    const draft = { step: (_: unknown, change: object) => changes.push(change) };
    show(
      <StepWords
        step={step(7, 'PRACTICAL')}
        design={design()}
        draft={draft as unknown as Draft}
        onGone={() => {}}
      />,
    );
    await userEvent.click(screen.getByRole('button', { name: 'In its own words …' }));
    const again = await screen.findByLabelText('When it needs another go');
    await waitFor(() => expect(again).toHaveAttribute('placeholder', 'Once more.'));
    expect(screen.queryByLabelText('Right after handing in')).not.toBeInTheDocument();
    await userEvent.type(again, 'Try again');
    await userEvent.click(document.body);
    expect(changes).toEqual([{ ownWords: { AGAIN: 'Try again' } }]);
  });
});

describe('the look of the institution', () => {
  const colours = { band: '', bandDark: '', act: '', actDark: '' };
  const own = {
    name: 'Hollow Lane',
    issuer: 'Hollow Lane',
    issuerAddress: '',
    issuerEmail: '',
    ...colours,
    ...nothing,
  };
  const shipped = { ...own, ...otherwise, band: '#17212a', act: '#a02750' };

  it('says at the field which colour cannot be read and keeps it there to be mended', async () => {
    const calls = serve({
      'GET /api/institution': { own, shipped },
      'PATCH /api/institution': failure(422, {
        detail: 'no',
        fields: { act: 'Take #7d6800, which is like it.' },
      }),
    });
    show(<InstitutionLook />);
    const field = await screen.findByRole('textbox', { name: 'Buttons and links' });
    await userEvent.type(field, '#FFD400{Enter}');
    expect(await screen.findByText('Take #7d6800, which is like it.')).toBeVisible();
    expect(sent(calls)).toEqual({ from: { act: '' }, to: { act: '#ffd400' } });
    expect(field).toHaveValue('#FFD400');
  });

  it('goes back to the colour that ships', async () => {
    const calls = serve({
      'GET /api/institution': { own: { ...own, band: '#204080' }, shipped, picture: 'abc' },
      'PATCH /api/institution': { own, shipped },
    });
    show(<InstitutionLook />);
    expect(await screen.findByRole('img', { name: 'Hollow Lane' })).toHaveAttribute(
      'src',
      '/api/institution/picture/abc',
    );
    const main = within(screen.getByRole('main'));
    await userEvent.click(main.getByRole('button', { name: 'As it ships' }));
    await waitFor(() =>
      expect(sent(calls)).toEqual({ from: { band: '#204080' }, to: { band: '' } }),
    );
  });
});
