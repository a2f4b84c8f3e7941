import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';
import { afterEach, beforeEach, vi } from 'vitest';
import '../i18n/staff';
import { endSession } from '../ui/session';
import { network } from './network';

// A busy machine renders slowly; what never comes is still a failure.
configure({ asyncUtilTimeout: 5000 });

/** The moment of the demo and of all tests. */
const TODAY = new Date('2026-11-23T15:30:00Z');
beforeEach(() => {
  vi.useFakeTimers({ now: TODAY, toFake: ['Date'] });
});

/** Outside a browser, addresses without a host have nothing to be relative to. */
globalThis.Request = class extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://localhost') : input, init);
  }
};

globalThis.fetch = (request) => network.answer(request as Request);

/** Nobody sends events in a component's test. */
globalThis.EventSource = class {
  addEventListener() {}
  close() {}
} as unknown as typeof EventSource;

/** Nothing has a size there that could change. */
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
};

afterEach(() => {
  cleanup();
  endSession(); // what is kept beyond a view is somebody's own
  vi.useRealTimers();
});

// What reads captions builds on the browser's own.
if (!('VTTCue' in window))
  Object.assign(window, {
    VTTCue: class {
      constructor(
        readonly startTime: number,
        readonly endTime: number,
        readonly text: string,
      ) {}
    },
  });
