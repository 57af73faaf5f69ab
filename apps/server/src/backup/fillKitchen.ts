import { type Formula, ingredientsOf } from '@kettle-scale/core/formula';
import { kitchenIngredients } from '@kettle-scale/core/ingredient';
import { InputError, parseInput, message } from '@kettle-scale/core/message';
import {
  type BackupLine,
  MOST_NESTED,
  backupHeadSchema,
  backupLineSchema,
  deepest,
  parseJson,
} from '@kettle-scale/core/document';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';
import type { Stores } from '../stores';

/** How many of each kind of line came back. */
export type Restored = Record<string, number>;

type Kind = BackupLine['kind'];
type LineOf<K extends Kind> = Extract<BackupLine, { kind: K }>;

/**
 * Fills an empty kitchen with the lines of a backup, one transaction for all.
 * @throws InputError naming the line that cannot be used
 */
export function fillKitchen(
  { sequelize, write }: Database,
  stores: Stores,
  lines: AsyncIterable<{ text: string; at: number }>,
): Promise<Restored> {
  return write(async (transaction) => {
    const counts: Restored = {};
    const put = putInto({ sequelize }, stores, transaction);
    let last = 0;
    for await (const { text, at } of lines) {
      if (text === '' && counts.end) continue;
      if (counts.end)
        throw InputError.at(`line ${at}`, `Line ${at}: there is more after the end of the backup.`);
      const line = readLine(text, at);
      try {
        if (line.kind === 'end' && line.lines !== at - 1) {
          throw InputError.at('lines', `the backup says ${line.lines} lines and has ${at - 1}.`);
        }
        if (line.kind === 'end' && !counts.kitchen) {
          throw InputError.at('kind', 'the settings of the kitchen are not in the backup.');
        }
        if ((line.kind === 'head' || line.kind === 'kitchen') && counts[line.kind]) {
          throw InputError.at('kind', `there is a “${line.kind}” already.`);
        }
        await (put[line.kind] as (one: BackupLine) => Promise<unknown>)(line);
      } catch (error) {
        throw asLineProblem(error, at);
      }
      counts[line.kind] = (counts[line.kind] ?? 0) + 1;
      last = at;
    }
    if (!counts.end) {
      throw InputError.at(
        `line ${last}`,
        'The backup ends early: its last line is missing. Nothing was changed.',
      );
    }
    return counts;
  });
}

type Put = { [K in Kind]: (line: LineOf<K>) => Promise<unknown> };

function putInto({ sequelize }: Pick<Database, 'sequelize'>, stores: Stores, transaction: Transaction): Put {
  const run = (sql: string, bind: unknown[] = []) => sequelize.query(sql, { bind, transaction });
  /** Ingredients that formulas may name; own ones come before them. */
  let known: Set<string> | null = null;
  const checkIngredients = async (formula: Formula) => {
    known ??= new Set(kitchenIngredients(await stores.ingredients.own(transaction)).map(({ id }) => id));
    const brought = new Set((formula.ingredients ?? []).map(({ id }) => id));
    const missing = [...ingredientsOf(formula)].find((id) => !known?.has(id) && !brought.has(id));
    if (missing) {
      throw InputError.at(
        'versions',
        `version ${formula.version} of “${formula.name}” uses the ingredient “${missing}”, which is not in the backup.`,
      );
    }
  };

  return {
    head: async () => undefined,
    kitchen: ({ kitchen }) => run('UPDATE kitchen SET document = $1', [JSON.stringify(kitchen)]),
    ingredient: async ({ ingredient }) => {
      known = null;
      await run(
        'INSERT INTO ingredients (id, own) VALUES ($1, $2) ON CONFLICT (id) DO UPDATE SET own = excluded.own',
        [ingredient.id, JSON.stringify(ingredient)],
      );
    },
    'flour-lot': ({ lot }) =>
      run('INSERT INTO flour_lots (id, ingredientId, document) VALUES ($1, $2, $3)', [
        lot.id,
        lot.ingredient,
        JSON.stringify(lot),
      ]),
    formula: async ({ archivedAt, versions }) => {
      const newest = versions.at(-1)?.formula;
      await run('INSERT INTO formulas (id, currentVersion, archivedAt) VALUES ($1, $2, $3)', [
        newest?.id,
        newest?.version,
        archivedAt,
      ]);
      for (const { formula, reason, savedAt } of versions) {
        await checkIngredients(formula);
        await run(
          'INSERT INTO formula_versions (formulaId, version, document, reason, savedAt) VALUES ($1, $2, $3, $4, $5)',
          [formula.id, formula.version, JSON.stringify(formula), reason, savedAt],
        );
      }
    },
    'saved-plan': ({ plan }) =>
      run('INSERT INTO saved_plans (id, document) VALUES ($1, $2)', [plan.id, JSON.stringify(plan)]),
    service: async ({ service, acts }) => {
      await run('INSERT INTO service_days (id, document) VALUES ($1, $2)', [
        service.day,
        JSON.stringify(service),
      ]);
      for (const act of acts) {
        await run('INSERT INTO service_acts (id, day, document) VALUES ($1, $2, $3)', [
          act.id,
          service.day,
          JSON.stringify(act),
        ]);
      }
    },
    carried: ({ carried }) =>
      run('INSERT INTO carried (id, document) VALUES ($1, $2)', [carried.id, JSON.stringify(carried)]),
    batch: ({ start, plan, events, receivedAt }) =>
      stores.batches.insertIn(start, plan, events, transaction, receivedAt),
    end: async () => undefined,
  };
}

function readLine(text: string, at: number): BackupLine {
  try {
    if (deepest(text, MOST_NESTED) > MOST_NESTED) {
      throw InputError.at('', `it nests deeper than ${MOST_NESTED} levels.`);
    }
    const value = parseJson(text);
    if (at === 1) parseInput(backupHeadSchema, value);
    else parseInput(backupLineSchema, value);
    // Checked, and kept as it is written: a restored kitchen gives the same backup to the letter.
    return value as BackupLine;
  } catch (error) {
    throw asLineProblem(error, at);
  }
}

/** What a line is refused for, by its number; what the database refuses is a line that refers to nothing, or that comes twice. */
function asLineProblem(error: unknown, at: number): unknown {
  const { name } = error as { name?: string };
  if (name === 'SequelizeForeignKeyConstraintError' || name === 'SequelizeUniqueConstraintError') {
    return InputError.at(
      `line ${at}`,
      `Line ${at} refers to something that is not in the backup, or comes twice.`,
    );
  }
  if (!(error instanceof InputError)) return error;
  return new InputError(
    error.problems.map(({ path, message: problem }) => ({
      path: path ? `line ${at}: ${path}` : `line ${at}`,
      message: message('Line {line, number}: {problem}', { line: at, problem }),
    })),
  );
}
