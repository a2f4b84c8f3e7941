import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { step } from '../../test/fixtures';
import { serve, show } from '../../test/stage';
import type { AuthorProps } from '../room';
import Settings from './Settings';

const part = { is: 'assignment', takes: { text: true, link: false }, passesAtOnce: false } as const;

function settings() {
  serve({ 'GET /api/courses/2/design/rubrics': [], 'GET /api/courses/2/design': {} });
  const change = vi.fn();
  const props = {
    step: step(11, 'ASSIGNMENT'),
    part,
    change,
  } as unknown as AuthorProps<'assignment'>;
  show(<Settings {...props} />);
  return change;
}

describe('what an assignment takes', () => {
  it('is changed one after the other, faster than it is saved, and nothing is lost', async () => {
    const change = settings();
    await userEvent.click(screen.getByLabelText('Files'));
    await userEvent.click(screen.getByLabelText('A link'));
    await userEvent.click(screen.getByRole('button', { name: 'pictures' }));
    await userEvent.click(screen.getByLabelText(/passes at once/));
    expect(change.mock.calls.at(-1)?.[0]).toEqual({
      part: {
        is: 'assignment',
        takes: {
          text: true,
          link: true,
          files: { sorts: ['PICTURE'], number: 3, megabytes: 50 },
        },
        passesAtOnce: true,
      },
    });
  });
});
