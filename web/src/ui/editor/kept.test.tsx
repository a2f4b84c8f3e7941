import { act, renderHook } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { useKeptText } from './useKeptText';

afterEach(() => localStorage.clear());

const hook = (html: string) =>
  renderHook(({ shown }) => useKeptText('yendrik-work-7-2-design-11', shown), {
    initialProps: { shown: html },
  });

describe('a text that is not saved yet', () => {
  it('is there again after the page has gone, beside what stands there now', () => {
    const first = hook('<p>Rub.</p>');
    act(() => first.result.current.keep('<p>Rub until dull.</p>'));
    first.unmount();
    const again = hook('<p>Rub.</p>');
    expect(again.result.current.kept?.text).toBe('<p>Rub until dull.</p>');
  });

  it('stays kept while nobody knows whether it arrived, and goes when it did', () => {
    const view = hook('<p>Rub.</p>');
    act(() => view.result.current.keep('<p>Rub until dull.</p>'));
    act(() => view.result.current.sent());
    expect(localStorage).toHaveLength(1);
    view.rerender({ shown: '<p>Rub until dull.</p>' });
    expect(localStorage).toHaveLength(0);
  });

  it('can be dropped, and what is no text of ours is nothing', () => {
    localStorage.setItem('yendrik-work-7-2-design-11', '{"text":5');
    expect(hook('<p>Rub.</p>').result.current.kept).toBeNull();
    const view = hook('<p>Rub.</p>');
    act(() => view.result.current.keep('<p>Other.</p>'));
    const again = hook('<p>Rub.</p>');
    act(() => again.result.current.drop());
    expect(again.result.current.kept).toBeNull();
    expect(localStorage).toHaveLength(0);
  });
});
