/** Notes of a year are read with its table: without an index every act of every batch would be looked into for them. */
export const statements: readonly string[] = [
  `CREATE INDEX batch_events_notes ON batch_events (batchId, seq)
     WHERE document ->> '$.type' IN ('note', 'finished', 'abandoned')`,
];
