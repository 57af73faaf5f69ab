/**
 * What is read often of a year, by an index of its own: the notes, for which every act of every batch would be looked into, and
 * what runs now, for which every batch would be.
 */
export const statements: readonly string[] = [
  `CREATE INDEX batch_events_notes ON batch_events (batchId, seq)
     WHERE document ->> '$.type' IN ('note', 'finished', 'abandoned')`,
  `CREATE INDEX batch_finds_by_status ON batch_finds (status, startedAt DESC, batchId DESC)`,
];
