import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { failure, serve, show } from '../../test/stage';
import { PackageDialog } from './PackageDialog';

const at = '/api/courses/2/design/questions/package';
const read = {
  questions: [
    {
      line: 1,
      question: {
        id: 'q1',
        text: 'Is a rim round?',
        points: 1,
        feedback: '',
        part: { is: 'true-false', isTrue: true },
      },
      tags: ['rims'],
    },
  ],
  notes: [
    { where: 'Pads', left: false, says: 'Only the best of its choices gives points.' },
    {
      where: 'Sketch',
      left: true,
      says: 'It asks for an answer of a kind that there is not here.',
    },
  ],
};
const chosen = () =>
  userEvent.upload(
    screen.getByLabelText('Choose a file', { selector: 'input' }),
    new File(['PK'], 'bank.zip', { type: 'application/zip' }),
  );

describe('a package of questions', () => {
  it('is looked at before it is taken, with what is left out first', async () => {
    const calls = serve({
      [`GET ${at}/leaves`]: [],
      [`POST ${at}/reading`]: read,
      [`POST ${at}`]: [{ id: 9, version: 3 }],
      'DELETE /api/courses/2/design/questions/9': null,
    });
    show(<PackageDialog onClose={() => {}} />);
    expect(screen.getByRole('button', { name: 'Add questions' })).toBeDisabled();
    await chosen();
    const status = await screen.findByRole('status');
    expect(within(status).getByText('Is a rim round?')).toBeVisible();
    const notes = within(within(status).getByRole('note')).getAllByRole('listitem');
    expect(notes.map((n) => n.textContent)).toEqual([
      'Sketch Left out. It asks for an answer of a kind that there is not here.',
      'Pads Only the best of its choices gives points.',
    ]);
    expect(calls.some((c) => c.method === 'POST' && c.path === at)).toBe(false);
    await userEvent.click(screen.getByRole('button', { name: 'Add one question' }));
    expect(await screen.findByText('One question added.')).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Undo', hidden: true }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'DELETE')?.path).toBe(
        '/api/courses/2/design/questions/9',
      ),
    );
  });

  it('is not taken when it is broken, and says why', async () => {
    serve({
      [`GET ${at}/leaves`]: [
        { where: 'Order these', left: false, says: 'Its hints are left out.' },
      ],
      [`POST ${at}/reading`]: failure(422, {
        detail: 'The file has faults.',
        findings: ['The package is damaged.'],
      }),
    });
    show(<PackageDialog onClose={() => {}} />);
    expect(await screen.findByText('Its hints are left out.')).toBeVisible();
    await chosen();
    expect(await screen.findByText('The package is damaged.')).toBeVisible();
    expect(screen.getByRole('button', { name: 'Add questions' })).toBeDisabled();
  });
});
