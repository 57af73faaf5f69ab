/** Flour lots with stock and learning; plans kept for later. */
export const statements: readonly string[] = [
  // What a batch took of its flour lot and taught about it; kept beside the record so that lots are summed quickly.
  `ALTER TABLE batches ADD COLUMN lotFlourG REAL`,
  `ALTER TABLE batches ADD COLUMN lotPoints REAL`,
  `UPDATE batches SET lotFlourG = (
     SELECT SUM(line.value ->> 'massG') * (plan ->> '$.bowls')
     FROM json_each(plan, '$.sheet') AS line, flour_lots AS lot
     WHERE lot.id = flourLotId AND line.value ->> 'ingredient' = lot.ingredientId
   ) WHERE flourLotId IS NOT NULL`,
  `CREATE INDEX batches_by_lot ON batches (flourLotId, startedAt DESC) WHERE flourLotId IS NOT NULL`,
  `CREATE TABLE saved_plans (
     id TEXT PRIMARY KEY,
     document JSON NOT NULL
   )`,
];
