import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';

type Keys = Record<string, (event: KeyboardEvent) => void>;

const typing = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement &&
  (/INPUT|TEXTAREA|SELECT/.test(target.tagName) || target.isContentEditable);

/**
 * Keys that hold wherever the focus is, unless somebody types: "g", "Control+z". A key that a
 * keyboard gives with Shift stands with it too: "?" and "Shift+?".
 */
export function useKeys(keys: Keys) {
  const now = useRef(keys);
  now.current = keys;
  const names = Object.keys(keys).join(' ');
  useEffect(
    () =>
      tinykeys(
        window,
        Object.fromEntries(
          names.split(' ').map((name) => [
            name,
            (event: KeyboardEvent) => {
              if (!typing(event)) now.current[name]?.(event);
            },
          ]),
        ),
      ),
    [names],
  );
}
