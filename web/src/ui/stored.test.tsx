import { act, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { show } from '../test/stage';
import { stored } from './stored';

const names = stored<string[]>([]);

function Names() {
  return <p>{names.use('names').join(', ') || 'none'}</p>;
}

describe('what a browser keeps', () => {
  beforeEach(() => localStorage.clear());

  it('is shown as it is changed, here and in another tab', () => {
    show(<Names />);
    expect(screen.getByText('none')).toBeInTheDocument();
    act(() => names.set('names', ['Chain']));
    expect(screen.getByText('Chain')).toBeInTheDocument();
    act(() => {
      localStorage.setItem('names', '["Chain","Rim"]');
      window.dispatchEvent(new Event('storage'));
    });
    expect(screen.getByText('Chain, Rim')).toBeInTheDocument();
    act(() => names.set('names', undefined));
    expect(screen.getByText('none')).toBeInTheDocument();
  });

  it('is the same object until it is changed, and nothing where it cannot be read', () => {
    names.set('names', ['Chain']);
    expect(names.get('names')).toBe(names.get('names'));
    localStorage.setItem('names', '["Cha');
    expect(names.get('names')).toEqual([]);
  });
});
