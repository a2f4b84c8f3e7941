import { useSyncExternalStore } from 'react';
import { whenSessionEnds } from './session';

/**
 * Values that this browser keeps by name as JSON, the same in all tabs. What cannot be read any
 * more is as if it were not there.
 */
export function stored<T>(nothing: T) {
  const listeners = new Set<() => void>();
  const read = new Map<string, { text: string | null; value: T }>();
  const tell = () => {
    for (const listener of listeners) listener();
  };
  const listen = (listener: () => void) => {
    listeners.add(listener);
    window.addEventListener('storage', listener);
    return () => {
      listeners.delete(listener);
      window.removeEventListener('storage', listener);
    };
  };
  const parsed = (text: string | null): T => {
    try {
      return text ? (JSON.parse(text) as T) : nothing;
    } catch {
      return nothing;
    }
  };
  /** The same object as long as nothing was changed. */
  const get = (name: string): T => {
    const text = localStorage.getItem(name);
    const before = read.get(name);
    if (before && before.text === text) return before.value;
    const value = parsed(text);
    read.set(name, { text, value });
    return value;
  };
  /** Keeps a value, or nothing; throws where there is no room for it. */
  const set = (name: string, value: T | undefined) => {
    if (value === undefined) localStorage.removeItem(name);
    else localStorage.setItem(name, JSON.stringify(value));
    tell();
  };
  whenSessionEnds(tell);
  return { get, set, use: (name: string) => useSyncExternalStore(listen, () => get(name)) };
}
