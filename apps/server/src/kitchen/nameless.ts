import { randomBytes } from 'node:crypto';
import type { Kitchen, KitchenCook } from '@kettle-scale/core/kitchen';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';
import { notFound } from '../http/problem';

const ID_BYTES = 4;
/** Written words in which a name may stand. */
const WRITTEN = ['text', 'note', 'reason'] as const;
/** A shorter name is part of too many other words. */
const LEAST_LETTERS = 3;

/** An array in a document with one of its texts replaced; a document without it stays. */
const inArray = (column: string, path: string) =>
  `${column} = json_set(${column}, '${path}', (SELECT json_group_array(CASE value WHEN $1 THEN $2 ELSE value END)
     FROM json_each(${column}, '${path}'))) `;
const has = (column: string, path: string) =>
  `EXISTS (SELECT 1 FROM json_each(${column}, '${path}') WHERE value = $1)`;

/** What a cook's id stands in, beside the acts: each statement takes the old id and the new one. */
const BY_ID = [
  `UPDATE batch_events SET document = json_set(document, '$.cook', $2) WHERE document ->> '$.cook' = $1`,
  `UPDATE batches SET start = json_set(start, '$.cook', $2) WHERE start ->> '$.cook' = $1`,
  `UPDATE batches SET ${inArray('record', '$.cooks')} WHERE record IS NOT NULL AND ${has('record', '$.cooks')}`,
  `UPDATE batch_finds SET ${inArray('facts', '$.cooks')} WHERE facts IS NOT NULL AND ${has('facts', '$.cooks')}`,
  `UPDATE batch_finds SET facts = json_set(facts, '$.doneBy', (SELECT json_group_object(key, CASE value WHEN $1 THEN $2 ELSE value END)
     FROM json_each(facts, '$.doneBy'))) WHERE facts IS NOT NULL AND ${has('facts', '$.doneBy')}`,
];

/** Documents that hold changes of lessons, which are named for the cook whose feel they are, or people of a shift. */
const WITH_NAMES = [
  { table: 'batches', column: 'start', where: `instr(start, $1) > 0` },
  { table: 'batches', column: 'plan', where: `instr(plan ->> '$.adjustments', $1) > 0` },
  { table: 'carried', column: 'document', where: `instr(document, $1) > 0` },
  { table: 'service_days', column: 'document', where: `instr(document ->> '$.cooks', $1) > 0` },
] as const;

/** A text as it stands between the quotes of a document. */
const asInJson = (text: string): string => JSON.stringify(text).slice(1, -1);

const whole = (name: string): RegExp =>
  new RegExp(`(?<![\\p{L}\\p{N}])${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'giu');

/** A document in which everything that says who it was says the new id: a name alone, or a part of a lesson's id. */
function withoutName(value: unknown, cook: { id: string; name: string }, id: string): unknown {
  if (typeof value === 'string') {
    if (value === cook.name || value === cook.id) return id;
    return value
      .split('/')
      .map((part) => (part === cook.id ? id : part))
      .join('/');
  }
  if (Array.isArray(value)) return value.map((one) => withoutName(one, cook, id));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, withoutName(one, cook, id)]));
}

/**
 * Makes a cook nameless in all records of the kitchen, in one write: acts, batches, what was learned, shifts and what was
 * written down say an id from now on that tells nothing. What the cook did stays one person's work.
 * @returns the id that stands for the cook now
 * @throws HttpProblem where the kitchen has no such cook; nothing was written then
 */
export function makeNameless(
  { write, sequelize }: Database,
  cookId: string,
  change: (kitchen: (now: Kitchen) => Kitchen, transaction: Transaction) => Promise<Kitchen>,
): Promise<string> {
  const id = `cook-${randomBytes(ID_BYTES).toString('hex')}`;
  return write(async (transaction) => {
    const found: KitchenCook[] = [];
    await change((now) => {
      const { cooks = [], lessonsOff } = now;
      const cook = cooks.find((one) => one.id === cookId);
      if (!cook) throw notFound('This cook');
      found.push(cook);
      const others = { ...now, cooks: cooks.filter((one) => one.id !== cookId) };
      return lessonsOff ? { ...others, lessonsOff: withoutName(lessonsOff, cook, id) as string[] } : others;
    }, transaction);
    const [person = { id: cookId, name: '' }] = found;
    const run = (sql: string, bind: readonly unknown[]) =>
      sequelize.query(sql, { bind: [...bind], transaction });
    for (const sql of BY_ID) await run(sql, [person.id, id]);

    for (const { table, column, where } of WITH_NAMES) {
      for (const text of new Set([person.id, person.name])) {
        const rows = await sequelize.query<{ rowid: number; document: string }>(
          `SELECT rowid, ${column} AS document FROM ${table} WHERE ${where}`,
          { bind: [asInJson(text)], transaction, type: QueryTypes.SELECT },
        );
        for (const { rowid, document } of rows) {
          const nameless = JSON.stringify(withoutNameIn(column, JSON.parse(document), person, id));
          await run(`UPDATE ${table} SET ${column} = $1 WHERE rowid = $2`, [nameless, rowid]);
        }
      }
    }
    if (person.name.length >= LEAST_LETTERS) await rewriteNotes(sequelize, transaction, person.name, id);
    return id;
  });
}

/** Of a plan the changes alone: an ingredient may be called as a cook is. */
function withoutNameIn(
  column: string,
  document: unknown,
  cook: { id: string; name: string },
  id: string,
): unknown {
  const one = document as Record<string, unknown>;
  const part =
    column === 'document' && 'cooks' in one ? 'cooks' : 'adjustments' in one ? 'adjustments' : null;
  if (part) return { ...one, [part]: withoutName(one[part], cook, id) };
  return column === 'document' ? withoutName(one, cook, id) : one;
}

/** Names that somebody wrote into notes, and what the log is searched by. */
async function rewriteNotes(
  sequelize: Database['sequelize'],
  transaction: Transaction,
  name: string,
  id: string,
): Promise<void> {
  // All that is written: SQLite has Ö and ö for two letters that have nothing in common.
  const where = WRITTEN.map((field) => `document ->> '$.${field}' <> ''`).join(' OR ');
  const rows = await sequelize.query<{ seq: number; batchId: string; document: string }>(
    `SELECT seq, batchId, document FROM batch_events WHERE ${where}`,
    { transaction, type: QueryTypes.SELECT },
  );
  const pattern = whole(name);
  for (const { seq, batchId, document } of rows) {
    const act = JSON.parse(document) as Record<string, unknown>;
    const named = WRITTEN.filter((field) => String(act[field] ?? '').search(pattern) >= 0);
    if (named.length === 0) continue;
    for (const field of named) act[field] = String(act[field]).replace(pattern, id);
    await sequelize.query('UPDATE batch_events SET document = $1 WHERE seq = $2', {
      bind: [JSON.stringify(act), seq],
      transaction,
    });
    const [found] = await sequelize.query<{ words: string }>(
      'SELECT words FROM batch_finds WHERE batchId = $1',
      {
        bind: [batchId],
        transaction,
        type: QueryTypes.SELECT,
      },
    );
    await sequelize.query('UPDATE batch_finds SET words = $1 WHERE batchId = $2', {
      bind: [(found?.words ?? '').replace(pattern, id), batchId],
      transaction,
    });
  }
}
