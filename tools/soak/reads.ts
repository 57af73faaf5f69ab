/** What the screens of twenty phones and an office look at: how often, s, and how long half of it may take, ms. */
export const READS = [
  { path: '/batches?status=running', everyS: 0.1, barMs: 5 },
  { path: '/flour-lots', everyS: 0.5, barMs: 5 },
  { path: '/batches?text=wrap&limit=50', everyS: 0.5, barMs: null },
  { path: '/batches/:running', everyS: 0.2, barMs: null },
  { path: '/health', everyS: 1, barMs: null },
  { path: '/batches?limit=50', everyS: 5, barMs: null },
  { path: '/lessons', everyS: 15, barMs: null },
  { path: '/log.csv', everyS: 60, barMs: null },
] as const;

/** What each of them took, by its path, ms. */
export type Took = Record<string, number[]>;
