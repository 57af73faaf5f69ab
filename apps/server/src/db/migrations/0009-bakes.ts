/** Seconds that were worked out for a bread on a plate, kept by their question. */
export const statements: readonly string[] = [
  `CREATE TABLE bake_opinions (
     id TEXT PRIMARY KEY,
     document JSON NOT NULL
   )`,
];
