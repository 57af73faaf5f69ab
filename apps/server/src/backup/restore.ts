import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import { InputError, parseInput } from '@kettle-scale/core';
import { type BackupLine, backupHeadSchema, backupLineSchema, parseJson } from '@kettle-scale/core/documents';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';
import { HttpProblem } from '../http/problem';
import type { Stores } from '../stores';

/** How many of each came back. */
export type Restored = Record<string, number>;

/** Newest references first, so that no foreign key is left hanging. */
const TABLES = [
  'batch_events',
  'batch_finds',
  'batches',
  'carried',
  'saved_plans',
  'formula_versions',
  'formulas',
  'flour_lots',
];

type Kind = BackupLine['kind'];
type LineOf<K extends Kind> = Extract<BackupLine, { kind: K }>;

/**
 * Fills a kitchen from the lines of a backup, all of it or nothing.
 * @throws HttpProblem when the kitchen is not empty and is not to be replaced; InputError naming the line that cannot be used
 */
export async function restore(
  database: Database,
  stores: Stores,
  source: Readable,
  replace: boolean,
): Promise<Restored> {
  const { sequelize, write } = database;
  const restored = await write(async (transaction) => {
    const run = (sql: string, bind: unknown[] = []) => sequelize.query(sql, { bind, transaction });
    if (!replace && !(await isEmpty(database, transaction))) {
      throw new HttpProblem(
        409,
        'This kitchen has formulas or batches already. Restore into an empty one, or say that everything here is replaced.',
      );
    }
    for (const table of TABLES) await run(`DELETE FROM ${table}`);
    await run('UPDATE ingredients SET own = NULL');

    const put: { [K in Kind]: (line: LineOf<K>) => Promise<unknown> } = {
      head: async () => undefined,
      kitchen: ({ kitchen }) => run('UPDATE kitchen SET document = $1', [JSON.stringify(kitchen)]),
      ingredient: ({ ingredient }) =>
        run(
          'INSERT INTO ingredients (id, own) VALUES ($1, $2) ON CONFLICT (id) DO UPDATE SET own = excluded.own',
          [ingredient.id, JSON.stringify(ingredient)],
        ),
      'flour-lot': ({ lot }) =>
        run('INSERT INTO flour_lots (id, ingredientId, document) VALUES ($1, $2, $3)', [
          lot.id,
          lot.ingredient,
          JSON.stringify(lot),
        ]),
      formula: async ({ archivedAt, versions }) => {
        const last = versions.at(-1)?.formula;
        await run('INSERT INTO formulas (id, currentVersion, archivedAt) VALUES ($1, $2, $3)', [
          last?.id,
          last?.version,
          archivedAt,
        ]);
        for (const { formula, reason, savedAt } of versions) {
          await run(
            'INSERT INTO formula_versions (formulaId, version, document, reason, savedAt) VALUES ($1, $2, $3, $4, $5)',
            [formula.id, formula.version, JSON.stringify(formula), reason, savedAt],
          );
        }
      },
      'saved-plan': ({ plan }) =>
        run('INSERT INTO saved_plans (id, document) VALUES ($1, $2)', [plan.id, JSON.stringify(plan)]),
      carried: ({ carried }) =>
        run('INSERT INTO carried (id, document) VALUES ($1, $2)', [carried.id, JSON.stringify(carried)]),
      batch: ({ start, plan, events, receivedAt }) =>
        stores.batches.insertIn(start, plan, events, transaction, receivedAt),
      end: async () => undefined,
    };

    const counts: Restored = {};
    let at = 0;
    let whole = false;
    for await (const text of createInterface({ input: source, crlfDelay: Infinity })) {
      if (text === '' && whole) continue;
      at += 1;
      if (whole) throw InputError.at(`line ${at}`, 'There is more after the end of the backup.');
      const line = readLine(text, at);
      if (line.kind === 'end') {
        if (line.lines !== at - 1) {
          throw InputError.at(`line ${at}`, `The backup says ${line.lines} lines and has ${at - 1}.`);
        }
        whole = true;
      }
      try {
        await (put[line.kind] as (one: BackupLine) => Promise<unknown>)(line);
      } catch (error) {
        throw asLineProblem(error, at);
      }
      counts[line.kind] = (counts[line.kind] ?? 0) + 1;
    }
    if (!whole) {
      throw InputError.at(
        `line ${at}`,
        'The backup ends early: its last line is missing. Nothing was changed.',
      );
    }
    return counts;
  });
  stores.batches.forget();
  return restored;
}

function readLine(text: string, at: number): BackupLine {
  try {
    const value = parseJson(text);
    if (at === 1) parseInput(backupHeadSchema, value);
    else parseInput(backupLineSchema, value);
    // Checked, and kept as it is written: a restored kitchen gives the same backup to the letter.
    return value as BackupLine;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(
      error.problems.map(({ path, message }) => ({
        path: path ? `line ${at}: ${path}` : `line ${at}`,
        message: `Line ${at}: ${message}`,
      })),
    );
  }
}

/** What the database refuses is a line that refers to nothing, or that comes twice. */
function asLineProblem(error: unknown, at: number): unknown {
  const { name } = error as { name?: string };
  return name === 'SequelizeForeignKeyConstraintError' || name === 'SequelizeUniqueConstraintError'
    ? InputError.at(`line ${at}`, `Line ${at} refers to something that is not in the backup, or comes twice.`)
    : error;
}

async function isEmpty({ sequelize }: Database, transaction: Transaction): Promise<boolean> {
  const [row] = await sequelize.query<{ n: number }>(
    'SELECT (SELECT COUNT(*) FROM formulas) + (SELECT COUNT(*) FROM batches) AS n',
    { type: QueryTypes.SELECT, transaction },
  );
  return row?.n === 0;
}
