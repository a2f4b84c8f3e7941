import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { nextPart } from './nextPart';

const names = (by: 1 | -1, times: number) =>
  Array.from({ length: times }, () => {
    nextPart(by);
    return document.activeElement?.getAttribute('data-testid');
  });

describe('going from part to part', () => {
  const show = (hidden = false) =>
    render(
      <div aria-hidden={hidden || undefined}>
        <header data-testid="band">
          <nav data-testid="workspaces" />
        </header>
        <nav data-testid="views" />
        <main id="main" data-testid="main">
          <button type="button">Row</button>
        </main>
        <aside data-testid="inspector" />
      </div>,
    );

  it('goes round in both directions, from wherever the focus is', () => {
    show();
    expect(names(1, 5)).toEqual(['band', 'views', 'main', 'inspector', 'band']);
    expect(names(-1, 2)).toEqual(['inspector', 'main']);
    screen.getByRole('button').focus();
    expect(names(1, 1)).toEqual(['inspector']);
    (document.activeElement as HTMLElement).blur();
    expect(names(-1, 1)).toEqual(['inspector']);
  });

  it('leaves alone what a dialog lies over', () => {
    show(true);
    nextPart(1);
    expect(document.body).toHaveFocus();
  });
});
