import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { gathering, listen } from './live';

const sources: FakeSource[] = [];

class FakeSource {
  static readonly CLOSED = 2;
  readyState = 1;
  closed = false;
  private readonly heard = new Map<string, (event: { data: string }) => void>();

  constructor(readonly url: string) {
    sources.push(this);
  }

  addEventListener(name: string, hears: (event: { data: string }) => void) {
    this.heard.set(name, hears);
  }

  say(name: string, data = '') {
    this.heard.get(name)?.({ data });
  }

  refuse() {
    this.readyState = FakeSource.CLOSED;
    this.say('error');
  }

  close() {
    this.closed = true;
  }
}

beforeEach(() => {
  sources.length = 0;
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', FakeSource);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('gathering', () => {
  it('tells once after a moment of calm', () => {
    const tell = vi.fn();
    const { heard } = gathering(tell);
    for (let n = 0; n < 5; n++) heard();
    vi.advanceTimersByTime(399);
    expect(tell).not.toHaveBeenCalled();
    vi.advanceTimersByTime(2);
    expect(tell).toHaveBeenCalledTimes(1);
  });

  it('tells at least every one and a half seconds while it never gets calm', () => {
    const tell = vi.fn();
    const { heard } = gathering(tell);
    for (let millis = 0; millis < 6_000; millis += 50) {
      heard();
      vi.advanceTimersByTime(50);
    }
    expect(tell.mock.calls.length).toBeGreaterThanOrEqual(3);
    expect(tell.mock.calls.length).toBeLessThanOrEqual(5);
  });
});

describe('listening', () => {
  it('shares one connection of a course and closes it with the last listener', () => {
    const one = vi.fn();
    const other = vi.fn();
    const stopOne = listen(2, one);
    const stopOther = listen(2, other);
    expect(sources).toHaveLength(1);
    sources[0]?.say('changed', '4 7');
    sources[0]?.say('changed', '7 9');
    vi.advanceTimersByTime(500);
    expect(one).toHaveBeenCalledTimes(1);
    expect(other).toHaveBeenCalledExactlyOnceWith(new Set([4, 7, 9]));
    stopOne();
    expect(sources[0]?.closed).toBe(false);
    stopOther();
    expect(sources[0]?.closed).toBe(true);
  });

  it('looks again after a lost connection is back, and not when it opens first', () => {
    const hears = vi.fn();
    const stop = listen(3, hears);
    sources[0]?.say('ready');
    vi.advanceTimersByTime(500);
    expect(hears).not.toHaveBeenCalled();
    sources[0]?.say('ready');
    vi.advanceTimersByTime(500);
    expect(hears).toHaveBeenCalledExactlyOnceWith('everybody');
    stop();
  });
});

/** The locks and channels of one browser, for tabs that are played one after the other. */
class Browser {
  private held = false;
  private readonly waiting: (() => void)[] = [];
  readonly channels = new Set<FakeChannel>();

  locks = {
    request: async (
      _: string,
      options: { ifAvailable?: boolean; signal?: AbortSignal },
      run: (lock: object | null) => unknown,
    ) => {
      if (this.held && options.ifAvailable) return run(null);
      if (this.held) await new Promise<void>((go) => this.waiting.push(go));
      this.held = true;
      const result = await run({});
      this.held = false;
      this.waiting.shift()?.();
      return result;
    },
  };
}

class FakeChannel {
  static browser: Browser;
  onmessage: (event: { data: unknown }) => void = () => {};

  constructor() {
    FakeChannel.browser.channels.add(this);
  }

  postMessage(data: unknown) {
    for (const other of FakeChannel.browser.channels) if (other !== this) other.onmessage({ data });
  }

  close() {
    FakeChannel.browser.channels.delete(this);
  }
}

describe('several tabs', () => {
  beforeEach(() => {
    const browser = new Browser();
    FakeChannel.browser = browser;
    vi.stubGlobal('BroadcastChannel', FakeChannel);
    vi.stubGlobal('navigator', { locks: browser.locks });
  });

  /** Another tab: the same module, loaded anew. */
  async function tab() {
    vi.resetModules();
    const { listen: hear } = await import('./live');
    const hears = vi.fn();
    const stop = hear(2, hears);
    await vi.advanceTimersByTimeAsync(1);
    return { hears, stop };
  }

  it('have one connection, and hear all that it hears', async () => {
    const first = await tab();
    const others = [await tab(), await tab(), await tab(), await tab(), await tab()];
    expect(sources).toHaveLength(1);
    sources[0]?.say('changed', '4 7');
    await vi.advanceTimersByTimeAsync(500);
    for (const { hears } of [first, ...others])
      expect(hears).toHaveBeenCalledExactlyOnceWith(new Set([4, 7]));
  });

  it('are connected by the next one when the first is closed, and look at what they missed', async () => {
    const first = await tab();
    const second = await tab();
    const third = await tab();
    first.stop();
    await vi.advanceTimersByTimeAsync(1);
    expect(sources.map((s) => s.closed)).toEqual([true, false]);
    sources[1]?.say('ready');
    await vi.advanceTimersByTimeAsync(500);
    expect(first.hears).not.toHaveBeenCalled();
    for (const { hears } of [second, third])
      expect(hears).toHaveBeenCalledExactlyOnceWith('everybody');
  });

  it('let another one go first whose connection is refused, and try again later', async () => {
    const signedOut = await tab();
    const signedIn = await tab();
    sources[0]?.refuse();
    await vi.advanceTimersByTimeAsync(1);
    expect(sources).toHaveLength(2);
    sources[1]?.say('ready');
    sources[1]?.say('changed', '4');
    await vi.advanceTimersByTimeAsync(500);
    expect(signedIn.hears).toHaveBeenCalledExactlyOnceWith('everybody');
    signedIn.stop();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(sources).toHaveLength(3);
    signedOut.stop();
    expect(sources[2]?.closed).toBe(true);
  });
});
