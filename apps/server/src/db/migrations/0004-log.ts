/** The log that is searched and learns; changes carried from one batch into the next plan. */
export const statements: readonly string[] = [
  // What the log is searched by and lessons are made from, apart from the plans, so that a search does not read them.
  `CREATE TABLE batch_finds (
     batchId TEXT PRIMARY KEY REFERENCES batches (id),
     startedAt TEXT NOT NULL,
     formulaId TEXT NOT NULL,
     lotId TEXT,
     status TEXT NOT NULL,
     goodShare REAL,
     words TEXT NOT NULL,
     facts JSON
   )`,
  `CREATE INDEX batch_finds_by_start ON batch_finds (startedAt DESC, batchId DESC)`,
  `CREATE INDEX batch_finds_by_formula ON batch_finds (formulaId, startedAt DESC, batchId DESC)`,
  `CREATE INDEX batch_finds_without_facts ON batch_finds (startedAt DESC) WHERE facts IS NULL`,
  `INSERT INTO batch_finds (batchId, startedAt, formulaId, lotId, status, goodShare, words)
   SELECT id, startedAt, formulaId, flourLotId, status,
     (record ->> '$.good') * 1.0 / NULLIF(record ->> '$.piecesMade', 0),
     lower(formulaName)
   FROM batches`,
  `CREATE TABLE carried (
     id TEXT PRIMARY KEY,
     document JSON NOT NULL
   )`,
];
