import { act, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { GivenFiles } from './GivenFiles';

const recorded = [{ id: 3, name: 'log.webm', mediaType: 'video/webm', bytes: 900 }];

function metadata(readyState: number, videoHeight: number) {
  for (const [name, value] of Object.entries({ readyState, videoHeight }))
    Object.defineProperty(HTMLVideoElement.prototype, name, { value, configurable: true });
}

describe('a recording', () => {
  it('takes no room for a picture that it has not, whenever the browser knows', () => {
    metadata(0, 0);
    const { unmount } = render(<GivenFiles files={recorded} at={(f) => `/f/${f}`} />);
    const sound = screen.getByLabelText('log.webm');
    expect(sound.style.height).toBe('');
    act(() => void sound.dispatchEvent(new Event('loadedmetadata')));
    expect(sound.style.height).toBe('54px');
    unmount();
    metadata(1, 0);
    render(<GivenFiles files={recorded} at={(f) => `/f/${f}`} />);
    expect(screen.getByLabelText('log.webm').style.height).toBe('54px');
  });
});
