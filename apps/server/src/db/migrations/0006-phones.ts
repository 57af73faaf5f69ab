/** Phones and device bridges that were paired; of a key only its hash is kept. */
export const statements: readonly string[] = [
  `CREATE TABLE phones (
     id TEXT PRIMARY KEY,
     key_hash TEXT NOT NULL UNIQUE,
     document JSON NOT NULL
   )`,
];
