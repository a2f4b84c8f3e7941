import { type KeyboardEvent as Pressed, useEffect, useRef } from 'react';
import { createKeybindingsHandler, tinykeys } from 'tinykeys';

type Keys = Record<string, (event: KeyboardEvent) => void>;

const TICKED = 'input[type="checkbox"], input[type="radio"]';

const typing = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement &&
  ((/INPUT|TEXTAREA|SELECT/.test(target.tagName) && !target.matches(TICKED)) ||
    target.isContentEditable);

const ticking = ({ target, code }: KeyboardEvent) =>
  target instanceof HTMLElement && target.matches(TICKED) && code === 'Space';

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

type Acts = Record<string, (event: KeyboardEvent, here: Element) => void>;

/** What a part does on keys while the focus is in it; several keys for one act: "ArrowDown, j". */
function handler(acts: Acts, leaveAlone: (event: KeyboardEvent) => boolean) {
  return ({ nativeEvent, currentTarget }: Pressed) => {
    if (leaveAlone(nativeEvent)) return;
    const bound = Object.entries(acts).flatMap(([names, act]) =>
      names.split(', ').map((name) => [
        name,
        (event: KeyboardEvent) => {
          event.preventDefault();
          act(event, currentTarget);
        },
      ]),
    );
    createKeybindingsHandler(Object.fromEntries(bound))(nativeEvent);
  };
}

/** Keys of a list or a grid: they do nothing while somebody types in it or ticks a box. */
export const keysHere = (acts: Acts) => handler(acts, (event) => typing(event) || ticking(event));

/** Keys of a field: they do nothing while a character is put together. */
export const keysInField = (acts: Acts) => handler(acts, (event) => event.isComposing);

/** Goes to the next or the one before. */
export const upAndDown = (go: (by: 1 | -1) => void): Acts => ({
  'ArrowDown, j': () => go(1),
  'ArrowUp, k': () => go(-1),
});
