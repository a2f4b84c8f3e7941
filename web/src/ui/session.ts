const ends = new Set<() => void>();

/** Something of whoever is signed in that must not be there for the next one. */
export function whenSessionEnds(forget: () => void) {
  ends.add(forget);
}

/** Forgets what belongs to whoever was signed in. */
export function endSession() {
  for (const forget of ends) forget();
}
