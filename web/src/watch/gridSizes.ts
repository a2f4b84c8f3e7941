/** Measures of a grid in px. */
export const NAME = 206;
export const ROW = 36;
export const GROUPS = 30;
export const HEAD = 42;
export const SUMMARY = 40;
