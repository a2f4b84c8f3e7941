import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Design } from '../api/client';
import { step } from '../test/fixtures';
import { show } from '../test/stage';
import { AllowanceFields } from './AllowanceFields';

const design = { groups: [{ id: 7, name: 'Saturday' }] } as Design;

describe('more for a group', () => {
  it('is given by choosing the group and saying what it has', async () => {
    const onChange = vi.fn();
    show(<AllowanceFields design={design} step={step(1, 'QUIZ')} onChange={onChange} />);
    await userEvent.click(screen.getByLabelText('Add a group'));
    await userEvent.click(screen.getByRole('option', { name: 'Saturday' }));
    expect(onChange).toHaveBeenLastCalledWith([{ group: 7, minutes: 0, attempts: 0 }]);
    const saturday = screen.getByRole('region', { name: 'Saturday' });
    const minutes = within(saturday).getByLabelText('Minutes more');
    await userEvent.clear(minutes);
    await userEvent.type(minutes, '10{Enter}');
    expect(onChange).toHaveBeenLastCalledWith([{ group: 7, minutes: 10, attempts: 0 }]);
    expect(screen.queryByLabelText('Add a group')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Nothing more for Saturday' }));
    expect(onChange).toHaveBeenLastCalledWith([]);
  });

  it('is a later date where nothing has a clock or attempts', () => {
    const allowances = [{ group: 7, minutes: 0, attempts: 0, due: '2026-11-20T08:00:00Z' }];
    show(
      <AllowanceFields
        design={design}
        step={step(1, 'ASSIGNMENT', { allowances })}
        onChange={() => {}}
      />,
    );
    expect(screen.getByLabelText('Due for them')).toHaveValue('Fri 20 Nov 2026, 08:00');
    expect(screen.queryByLabelText('Minutes more')).toBeNull();
  });

  it('is not spoken of in a course without groups', () => {
    const none = { groups: [] as Design['groups'] } as Design;
    show(<AllowanceFields design={none} step={step(1, 'QUIZ')} onChange={() => {}} />);
    expect(screen.queryByText('More for a group')).toBeNull();
  });
});
