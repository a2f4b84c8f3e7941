import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { show } from '../test/stage';
import { SavedField } from './SavedField';

const field = () => screen.getByRole('textbox', { name: 'Name' });

async function typed(text: string) {
  await userEvent.clear(field());
  await userEvent.type(field(), text);
  await userEvent.tab();
}

describe('a field that saves by itself', () => {
  it('says at the field why something was not kept, with what was typed still there', async () => {
    show(
      <SavedField
        label="Name"
        value="Brakes"
        onSave={async (text) => (text === '' ? { refused: { why: 'A name is missing.' } } : {})}
      />,
    );
    await userEvent.clear(field());
    await userEvent.tab();
    expect(await screen.findByText('A name is missing.')).toBeVisible();
    expect(field()).toBeInvalid();
    expect(field()).toHaveAccessibleDescription('A name is missing.');
    expect(field()).toHaveValue('');
    await userEvent.type(field(), 'W');
    expect(field()).toBeValid();
    expect(screen.queryByText('A name is missing.')).not.toBeInTheDocument();
  });

  it('goes back to what is kept on Escape, and the reason goes', async () => {
    show(
      <SavedField label="Name" value="Brakes" onSave={async () => ({ refused: { why: 'No.' } })} />,
    );
    await typed('Wheels');
    expect(await screen.findByText('No.')).toBeVisible();
    await userEvent.type(field(), '{Escape}');
    expect(field()).toHaveValue('Brakes');
    expect(screen.queryByText('No.')).not.toBeInTheDocument();
  });

  it('does not say of what is typed now why something before it was not kept', async () => {
    let refuse = (_: object) => {};
    const late = new Promise<object>((resolve) => {
      refuse = resolve;
    });
    show(<SavedField label="Name" value="Brakes" onSave={() => late} />);
    await userEvent.clear(field());
    await userEvent.tab();
    await userEvent.type(field(), 'Wheels');
    refuse({ refused: { why: 'A name is missing.' } });
    await late;
    await new Promise((r) => setTimeout(r, 20));
    expect(field()).toBeValid();
  });

  it('keeps what comes of nothing quiet', async () => {
    const saved: string[] = [];
    show(<SavedField label="Name" value="Brakes" onSave={(text) => saved.push(text)} />);
    await typed('Wheels');
    expect(saved).toEqual(['Wheels']);
    expect(field()).toBeValid();
  });
});
