/** Where one is with a badge: among all, drawing it, or laying it out on paper. */
export type At = 'all' | 'draw' | 'paper';
