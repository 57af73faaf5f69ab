/** The tables of the first release. Events are append-only. A batch has a record once it is over; while it runs the record is its fold. */
export const statements: readonly string[] = [
  `CREATE TABLE ingredients (
     id TEXT PRIMARY KEY,
     document JSON NOT NULL
   )`,
  `CREATE TABLE kitchen (
     id INTEGER PRIMARY KEY CHECK (id = 1),
     document JSON NOT NULL
   )`,
  `CREATE TABLE flour_lots (
     id TEXT PRIMARY KEY,
     ingredientId TEXT NOT NULL REFERENCES ingredients (id),
     document JSON NOT NULL
   )`,
  `CREATE TABLE formulas (
     id TEXT PRIMARY KEY,
     currentVersion INTEGER NOT NULL
   )`,
  `CREATE TABLE formula_versions (
     formulaId TEXT NOT NULL REFERENCES formulas (id),
     version INTEGER NOT NULL,
     document JSON NOT NULL,
     reason TEXT NOT NULL,
     savedAt TEXT NOT NULL,
     PRIMARY KEY (formulaId, version)
   )`,
  `CREATE TABLE batches (
     id TEXT PRIMARY KEY,
     startedAt TEXT NOT NULL,
     formulaId TEXT NOT NULL,
     formulaName TEXT NOT NULL,
     formulaVersion INTEGER NOT NULL,
     flourLotId TEXT REFERENCES flour_lots (id),
     status TEXT NOT NULL,
     start JSON NOT NULL,
     plan JSON NOT NULL,
     record JSON,
     FOREIGN KEY (formulaId, formulaVersion) REFERENCES formula_versions (formulaId, version)
   )`,
  `CREATE INDEX batches_by_start ON batches (startedAt DESC, id DESC)`,
  `CREATE INDEX batches_by_status ON batches (status, startedAt DESC, id DESC)`,
  `CREATE TABLE batch_events (
     seq INTEGER PRIMARY KEY AUTOINCREMENT,
     id TEXT NOT NULL UNIQUE,
     batchId TEXT NOT NULL REFERENCES batches (id),
     document JSON NOT NULL,
     receivedAt TEXT NOT NULL
   )`,
  `CREATE INDEX batch_events_by_batch ON batch_events (batchId, seq)`,
];
