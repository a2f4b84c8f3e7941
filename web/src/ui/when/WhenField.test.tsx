import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { show } from '../../test/stage';
import { SavedWhen } from './SavedWhen';

/** A date that is kept, and what was kept in turn. */
function stage(first: string) {
  const saved: string[] = [];
  function Kept() {
    const [value, setValue] = useState(first);
    return (
      <>
        <SavedWhen
          kind="moment"
          label="Due"
          value={value}
          onSave={(next) => {
            saved.push(next);
            setValue(next);
          }}
        />
        <button type="button" onClick={() => setValue('2026-01-02T03:04')}>
          Somebody else
        </button>
      </>
    );
  }
  show(<Kept />);
  return { saved, field: screen.getByRole<HTMLInputElement>('textbox', { name: 'Due' }) };
}

describe('a date that saves by itself', () => {
  it('is written our way, and says while it is typed how it is read', async () => {
    const { saved, field } = stage('2026-11-29T18:30');
    expect(field).toHaveValue('Sun 29 Nov 2026, 18:30');
    await userEvent.clear(field);
    await userEvent.type(field, '4 Dec 2026 8:00');
    expect(screen.getByRole('status')).toHaveTextContent('Fri 4 Dec 2026, 08:00');
    expect(saved).toEqual([]);
    await userEvent.tab();
    expect(saved).toEqual(['2026-12-04T08:00']);
    expect(field).toHaveValue('Fri 4 Dec 2026, 08:00');
    expect(screen.queryByRole('status')).not.toBeInTheDocument();
  });

  it('keeps what is no date in its field, says so, and saves nothing', async () => {
    const { saved, field } = stage('2026-11-29T18:30');
    await userEvent.clear(field);
    await userEvent.type(field, 'someday');
    expect(field).toBeValid();
    await userEvent.tab();
    await userEvent.tab();
    expect(field).toBeInvalid();
    expect(field).toHaveAccessibleDescription(/This is no date/);
    expect(field).toHaveValue('someday');
    expect(saved).toEqual([]);
  });

  it('is written our way as soon as Enter keeps it', async () => {
    const { saved, field } = stage('2026-11-29T18:30');
    await userEvent.clear(field);
    await userEvent.type(field, 'fri 8:00{Enter}');
    expect(saved).toHaveLength(1);
    expect(field).toHaveDisplayValue(/^Fri \d+ \w+ \d{4}, 08:00$/);
    expect(field).toHaveFocus();
  });

  it('is taken away by emptying it', async () => {
    const { saved, field } = stage('2026-11-29T18:30');
    await userEvent.clear(field);
    await userEvent.type(field, '{Enter}');
    expect(saved).toEqual(['']);
  });

  it('goes back to what was kept on Escape', async () => {
    const { saved, field } = stage('2026-11-29T18:30');
    await userEvent.clear(field);
    await userEvent.type(field, 'fri{Escape}');
    await userEvent.tab();
    expect(field).toHaveValue('Sun 29 Nov 2026, 18:30');
    expect(saved).toEqual([]);
  });

  it('shows what somebody else keeps', async () => {
    const { field } = stage('2026-11-29T18:30');
    await userEvent.click(screen.getByRole('button', { name: 'Somebody else' }));
    expect(field).toHaveValue('Fri 2 Jan 2026, 03:04');
  });

  it('is chosen from a calendar, by keys too, and its time is then ready to be typed over', async () => {
    const { saved, field } = stage('2026-11-29T18:30');
    await userEvent.click(field);
    await userEvent.keyboard('{Alt>}{ArrowDown}{/Alt}');
    const calendar = within(await screen.findByRole('dialog', { name: 'Choose a day' }));
    const day = await calendar.findByRole('button', { name: /November 29th/ });
    expect(day).toHaveFocus();
    await userEvent.keyboard('{ArrowLeft}{ArrowLeft}{Enter}');
    expect(await screen.findByDisplayValue('Fri 27 Nov 2026, 18:30')).toHaveFocus();
    await userEvent.keyboard('09:15{Enter}');
    expect(saved).toEqual(['2026-11-27T09:15']);
  });
});
