import { type BackupLine, BACKUP_FORMAT, BACKUP_FORMAT_VERSION } from '@kettle-scale/core/document';
import type { Formula } from '@kettle-scale/core/formula';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';

/** Batches read from the disk at once while a backup is written. */
const BATCHES_AT_ONCE = 20;

type Columns = Record<string, string | null>;

/**
 * Every line of a backup of the kitchen, in an order that a restore can follow: what others refer to comes first.
 * Stored documents are written as they are.
 * @param transaction all of it is read in this one, so that it is one moment of the kitchen
 */
export async function* backupLines(
  { sequelize }: Database,
  madeAt: string,
  transaction: Transaction,
): AsyncGenerator<string> {
  const select = (sql: string, bind: unknown[] = []): Promise<Columns[]> =>
    sequelize.query<Columns>(sql, { bind, transaction, type: QueryTypes.SELECT });
  let lines = 0;
  const line = (text: string): string => {
    lines += 1;
    return `${text}\n`;
  };
  const json = (value: BackupLine): string => line(JSON.stringify(value));
  yield json({ format: BACKUP_FORMAT, formatVersion: BACKUP_FORMAT_VERSION, kind: 'head', madeAt });

  for (const { document } of await select('SELECT document FROM kitchen')) {
    yield json({ kind: 'kitchen', kitchen: JSON.parse(document ?? '{}') as Kitchen });
  }
  for (const { own } of await select('SELECT own FROM ingredients WHERE own IS NOT NULL ORDER BY id')) {
    yield line(`{"kind":"ingredient","ingredient":${own}}`);
  }
  for (const { document } of await select('SELECT document FROM flour_lots ORDER BY id')) {
    yield line(`{"kind":"flour-lot","lot":${document}}`);
  }
  for (const { id, archivedAt } of await select('SELECT id, archivedAt FROM formulas ORDER BY id')) {
    const versions = await select(
      'SELECT document, reason, savedAt FROM formula_versions WHERE formulaId = $1 ORDER BY version',
      [id],
    );
    yield json({
      kind: 'formula',
      archivedAt: archivedAt ?? null,
      versions: versions.map(({ document, reason, savedAt }) => ({
        formula: JSON.parse(document ?? '{}') as Formula,
        reason: reason ?? '',
        savedAt: savedAt ?? '',
      })),
    });
  }
  for (const { document } of await select('SELECT document FROM saved_plans ORDER BY id')) {
    yield line(`{"kind":"saved-plan","plan":${document}}`);
  }
  for (const { id, document } of await select('SELECT id, document FROM service_days ORDER BY id')) {
    const acts = await select('SELECT document FROM service_acts WHERE day = $1 ORDER BY id', [id]);
    yield line(
      `{"kind":"service","service":${document},"acts":[${acts.map((act) => act.document).join(',')}]}`,
    );
  }
  for (const { document } of await select('SELECT document FROM carried ORDER BY id')) {
    yield line(`{"kind":"carried","carried":${document}}`);
  }
  for (let after = ''; ;) {
    const batches = await select(
      `SELECT id, start, plan,
         (SELECT group_concat(document) FROM (SELECT document FROM batch_events WHERE batchId = b.id ORDER BY seq)) AS events,
         (SELECT json_group_array(receivedAt) FROM (SELECT receivedAt FROM batch_events WHERE batchId = b.id ORDER BY seq)) AS receivedAt
       FROM batches b WHERE id > $1 ORDER BY id LIMIT ${BATCHES_AT_ONCE}`,
      [after],
    );
    for (const { start, plan, events, receivedAt } of batches) {
      yield line(
        `{"kind":"batch","start":${start},"plan":${plan},"events":[${events ?? ''}],"receivedAt":${receivedAt}}`,
      );
    }
    if (batches.length < BATCHES_AT_ONCE) break;
    after = batches.at(-1)?.id ?? '';
  }
  yield json({ kind: 'end', lines });
}
