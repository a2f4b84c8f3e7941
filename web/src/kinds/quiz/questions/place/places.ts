import type { KeyboardEvent } from 'react';

/** A place on a picture, in shares of its width and height. */
export interface Place {
  x: number;
  y: number;
}

const within = (n: number, most = 1) => Math.min(most, Math.max(0, Math.round(n * 1e4) / 1e4));

/** Where on an element the pointer is. */
export const placeOf = (e: { clientX: number; clientY: number }, on: Element): Place => {
  const box = on.getBoundingClientRect();
  return {
    // a picture that has not come yet is no size at all
    x: within((e.clientX - box.left) / (box.width || 1)),
    y: within((e.clientY - box.top) / (box.height || 1)),
  };
};

const STEPS: Record<string, Place> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** How far an arrow key goes, less with Alt; nothing for other keys. */
export const stepOf = (e: Pick<KeyboardEvent, 'key' | 'altKey'>): Place | undefined => {
  const step = STEPS[e.key];
  const far = e.altKey ? 0.005 : 0.02;
  return step && { x: step.x * far, y: step.y * far };
};

/** A place a step further, never beside the picture. */
export const moved = (from: Place, by: Place): Place => ({
  x: within(from.x + by.x),
  y: within(from.y + by.y),
});

interface Sized {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** The rectangle between two corners. */
export const between = (a: Place, b: Place): Sized => ({
  left: Math.min(a.x, b.x),
  top: Math.min(a.y, b.y),
  width: within(Math.abs(a.x - b.x)),
  height: within(Math.abs(a.y - b.y)),
});

/** The same area elsewhere, whole on the picture. */
export const shifted = <A extends Sized>(area: A, by: Place): A => ({
  ...area,
  left: within(area.left + by.x, 1 - area.width),
  top: within(area.top + by.y, 1 - area.height),
});

/** The same area, larger or smaller, and still on the picture. */
export const sized = <A extends Sized>(area: A, by: Place): A => ({
  ...area,
  width: Math.max(0.01, within(area.width + by.x, 1 - area.left)),
  height: Math.max(0.01, within(area.height + by.y, 1 - area.top)),
});
