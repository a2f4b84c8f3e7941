import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { MemoryRouter } from 'react-router';
import { expect, it } from 'vitest';
import { asking, useAsked } from './useAsked';

it('is done once, and as soon as it can be done', async () => {
  const done: string[] = [];
  function View() {
    const [work, setWork] = useState(0);
    useAsked({ ...(work > 0 && { mark: () => done.push(`work ${work}`) }) });
    return (
      <button type="button" onClick={() => setWork(work + 1)}>
        more
      </button>
    );
  }
  render(
    <MemoryRouter initialEntries={[{ pathname: '/teach/marking', state: asking('mark') }]}>
      <View />
    </MemoryRouter>,
  );
  expect(done).toEqual([]);
  await userEvent.click(screen.getByText('more'));
  await userEvent.click(screen.getByText('more'));
  expect(done).toEqual(['work 1']);
});
