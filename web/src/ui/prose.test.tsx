import { render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { Prose } from './Prose';

describe('formatted text', () => {
  it('writes its formulas so that they can be read aloud, and leaves what is none', async () => {
    render(
      <Prose
        html={
          '<p><span data-formula="F = m \\cdot a">x</span> <span data-formula="\\frac{1">bad</span></p>'
        }
      />,
    );
    await vi.waitFor(() => expect(document.querySelector('math')).not.toBeNull());
    expect(document.querySelectorAll('math')).toHaveLength(1);
    expect(screen.getByText('\\frac{1')).toHaveAttribute('title');
  });
});
