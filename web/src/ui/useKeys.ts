import { type KeyboardEvent as Pressed, useEffect, useRef } from 'react';
import { createKeybindingsHandler, tinykeys } from 'tinykeys';
import { oneKey } from './oneKey';

type Keys = Record<string, (event: KeyboardEvent) => void>;

const TICKED = 'input[type="checkbox"], input[type="radio"]';

const typing = ({ target }: KeyboardEvent) =>
  target instanceof HTMLElement &&
  ((/INPUT|TEXTAREA|SELECT/.test(target.tagName) && !target.matches(TICKED)) ||
    target.isContentEditable);

const ticking = ({ target, code }: KeyboardEvent) =>
  target instanceof HTMLElement && target.matches(TICKED) && code === 'Space';

function useBound(keys: Keys, act: (event: KeyboardEvent, bound: Keys[string]) => void) {
  const now = useRef({ keys, act });
  now.current = { keys, act };
  const names = Object.keys(keys).join(' ');
  useEffect(
    () =>
      tinykeys(
        window,
        Object.fromEntries(
          names.split(' ').map((name) => [
            name,
            (event: KeyboardEvent) => {
              const bound = now.current.keys[name];
              if (bound) now.current.act(event, bound);
            },
          ]),
        ),
      ),
    [names],
  );
}

const bare = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent) =>
  key.length === 1 && !ctrlKey && !metaKey && !altKey;

/**
 * Keys that hold wherever the focus is, unless somebody types: "g", "Control+z". A key that a
 * keyboard gives with Shift stands with it too: "?" and "Shift+?". Those of one letter can be
 * switched off.
 */
export const useKeys = (keys: Keys) =>
  useBound(keys, (event, act) => {
    if (!typing(event) && (oneKey() || !bare(event))) act(event);
  });

/** Keys that hold while somebody types as well, and mean nothing else then: "$mod+k". */
export const useKeysAnywhere = (keys: Keys) =>
  useBound(keys, (event, act) => {
    event.preventDefault();
    act(event);
  });

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
