/**
 * What lots are summed from, in an index that holds all of it: in its row it stands behind the plan, which would be read page by
 * page for every batch of every lot.
 */
export const statements: readonly string[] = [
  `DROP INDEX batches_by_lot`,
  `CREATE INDEX batches_by_lot ON batches
     (flourLotId, startedAt DESC, id, formulaName, lotFlourG, lotPoints, status) WHERE flourLotId IS NOT NULL`,
];
