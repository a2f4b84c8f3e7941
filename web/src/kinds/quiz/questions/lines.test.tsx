import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { show } from '../../../test/stage';
import { newId } from '../../../ui/ids';
import { Write } from './choice/Write';
import type { WriteProps } from './room';

function stage(ids: string[]) {
  function Question() {
    const [part, setPart] = useState<WriteProps<'choice'>['part']>({
      is: 'choice',
      right: ids[0] ?? '',
      choices: ids.map((id) => ({ id, text: '' })),
    });
    return <Write part={part} edit={setPart} />;
  }
  show(<Question />);
}

const choice = (n: number) => screen.getByRole('textbox', { name: `Choice ${n}` });

describe('the choices of a question', () => {
  it('are typed one after the other, Enter goes on and adds one after the last', async () => {
    stage([newId(), newId()]);
    await userEvent.type(choice(1), 'Glue{Enter}');
    expect(choice(2)).toHaveFocus();
    await userEvent.keyboard('Tyre{Enter}');
    expect(choice(3)).toHaveFocus();
    await userEvent.keyboard('{Enter}');
    expect(screen.queryByRole('textbox', { name: 'Choice 4' })).not.toBeInTheDocument();
    await userEvent.keyboard('Air{Shift>}{Enter}{/Shift}and patience');
    expect(choice(3)).toHaveValue('Air\nand patience');
    expect(choice(1)).toHaveValue('Glue');
  });

  it('are not wrong before anybody came to them', async () => {
    stage([newId(), newId()]);
    expect(choice(1)).toBeValid();
    await userEvent.click(choice(1));
    await userEvent.click(choice(2));
    expect(choice(1)).toBeInvalid();
    expect(choice(2)).toBeValid();
  });

  it('are wrong at once where they were left empty before', () => {
    stage(['kept-1', 'kept-2']);
    expect(choice(1)).toBeInvalid();
  });
});
