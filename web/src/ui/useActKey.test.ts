import { renderHook } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useActKey } from './useActKey';

describe('the key of an act', () => {
  it('stays while the same is tried again, also after another drawing', () => {
    const { result, rerender } = renderHook(() => useActKey());
    const first = result.current.headers({ text: 'Hello' });
    rerender();
    expect(result.current.headers({ text: 'Hello' })).toEqual(first);
  });

  it('is another one for something else, and once the act is done', () => {
    const { result } = renderHook(() => useActKey());
    const first = result.current.headers({ text: 'Hello' });
    const changed = result.current.headers({ text: 'Hello, Juno' });
    expect(changed).not.toEqual(first);
    result.current.renew();
    expect(result.current.headers({ text: 'Hello, Juno' })).not.toEqual(changed);
  });
});
