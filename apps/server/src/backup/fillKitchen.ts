import { type Formula, missingIngredients } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import {
  InputError,
  type Problem,
  type Words,
  message,
  parseInput,
  repairNames,
} from '@kettle-scale/core/message';
import {
  type BackupLine,
  MOST_NESTED,
  backupHeadSchema,
  backupLineSchema,
  deepest,
  parseJson,
} from '@kettle-scale/core/document';
import type { Transaction } from 'sequelize';
import type { z } from 'zod';
import type { Database } from '../db/openDatabase';
import { wrongDates } from '../http/recordDates';
import type { Stores } from '../stores';

/** A file with more that is wrong is none of ours, and one made to be so would fill the memory. */
const MOST_UNUSABLE = 1000;
/** What is wrong with one line is told so often. */
const MOST_OF_A_LINE = 20;

/** How many of each kind of line came back. */
export type Restored = Record<string, number>;

/** What came back, and what of it could not be used as it stands. */
export interface Filled {
  counts: Restored;
  /** By the number of the line, what is wrong with it; a restore without these is the rest. */
  unusable: readonly Problem[];
}

type Kind = BackupLine['kind'];
type LineOf<K extends Kind> = Extract<BackupLine, { kind: K }>;

/**
 * Fills an empty kitchen with the lines of a backup, one transaction for all. A line that cannot be used is left out and told,
 * so that whoever restores decides whether the rest is wanted.
 * @throws InputError where the file is no whole backup
 */
export function fillKitchen(
  { sequelize, write }: Database,
  stores: Stores,
  lines: AsyncIterable<{ text: string; at: number }>,
  now: Date,
): Promise<Filled> {
  return write(async (transaction) => {
    const counts: Restored = {};
    const unusable: Problem[] = [];
    const put = putInto({ sequelize }, stores, { transaction, now });
    let last = 0;
    for await (const { text, at } of lines) {
      if (text === '' && counts.end) continue;
      if (counts.end) throw onLine(at, 'there is more after the end of the backup.');
      last = at;
      try {
        const { line, told: putRight } = readLine(text, at, now);
        checkOrder(line, at, counts, unusable.length);
        const told = await inSavepoint(sequelize, transaction, () =>
          (put[line.kind] as (one: BackupLine) => Promise<Told>)(line),
        );
        const all = [...putRight, ...told];
        unusable.push(...all.map(({ path, message: problem }) => lineProblem(at, path, problem)));
        counts[line.kind] = (counts[line.kind] ?? 0) + 1;
      } catch (error) {
        const problems = asLineProblems(error, at);
        if (!problems || at === 1) throw problems ? new InputError(problems) : error;
        unusable.push(...problems.slice(0, MOST_OF_A_LINE));
      }
      if (unusable.length > MOST_UNUSABLE) {
        const most = { most: MOST_UNUSABLE };
        throw onLine(
          at,
          message(
            'more than {most, number} things before it cannot be used: this is no backup of ours.',
            most,
          ),
        );
      }
    }
    if (!counts.end) {
      throw new InputError([
        ...unusable,
        {
          path: `line ${last}`,
          message: 'The backup ends early: its last line is missing. Nothing was changed.',
        },
      ]);
    }
    return { counts, unusable };
  });
}

/** What a line says that it cannot be used for as it is, though the rest of it can. */
type Told = readonly Problem[];
const NOTHING: Told = [];

/** A line that is wrong for the whole file: no restore goes on after it. */
class WrongFile extends InputError {}
const onLine = (at: number, problem: Words): WrongFile => new WrongFile([lineProblem(at, '', problem)]);

const lineProblem = (at: number, path: string, problem: Words): Problem => ({
  path: path ? `line ${at}: ${path}` : `line ${at}`,
  message: message('Line {line, number}: {problem}', { line: at, problem }),
});

/** @throws WrongFile for a line that no backup has at this place */
function checkOrder(line: BackupLine, at: number, counts: Restored, unusable: number): void {
  const { kind } = line;
  if (kind === 'end' && line.lines !== at - 1) {
    const found = { said: line.lines, found: at - 1 };
    throw onLine(at, message('the backup says {said, number} lines and has {found, number}.', found));
  }
  if (kind === 'end' && !counts.kitchen && unusable === 0) {
    throw onLine(at, 'the settings of the kitchen are not in the backup.');
  }
  if ((kind === 'head' || kind === 'kitchen') && counts[kind]) {
    throw onLine(at, message('there is a “{kind}” already.', { kind: { name: kind } }));
  }
}

/** Runs what a line writes; when it fails in the middle nothing of it stays. */
async function inSavepoint<T>(
  sequelize: Database['sequelize'],
  transaction: Transaction,
  work: () => Promise<T>,
): Promise<T> {
  const run = (sql: string) => sequelize.query(sql, { transaction });
  await run('SAVEPOINT line');
  try {
    return await work();
  } catch (error) {
    await run('ROLLBACK TO line');
    throw error;
  } finally {
    await run('RELEASE line');
  }
}

type Put = { [K in Kind]: (line: LineOf<K>) => Promise<Told> };

interface Filling {
  transaction: Transaction;
  now: Date;
}

/**
 * A version without the toppings that nobody knows any more, and what is told of it. What it puts into the dough stays as it is
 * written: a recipe with a line less would be another bread.
 */
function withoutUnknown(formula: Formula, foods: readonly Ingredient[]): { formula: Formula; told: Told } {
  const missing = missingIngredients(formula, foods);
  if (missing.length === 0) return { formula, told: NOTHING };
  const unknown = new Set(missing.filter(({ part }) => part === 'onBread').map(({ index }) => index));
  const told = missing.map(({ part, ingredient }) => ({
    path: 'versions',
    message: message(SAID_OF[part], {
      version: formula.version,
      formula: { name: formula.name },
      ingredient: { name: ingredient },
    }),
  }));
  if (unknown.size === 0) return { formula, told };
  const onBread = formula.onBread?.filter((_line, index) => !unknown.has(index));
  return { formula: { ...formula, onBread }, told };
}
const SAID_OF = {
  lines:
    'version {version, number} of “{formula}” uses the ingredient “{ingredient}”, which is not in the backup. Without it the formula is put away until somebody adds that ingredient.',
  onBread:
    'version {version, number} of “{formula}” puts the ingredient “{ingredient}” on the bread, which is not in the backup. Without it that topping is left out.',
} as const satisfies Record<'lines' | 'onBread', Words>;

function putInto(
  { sequelize }: Pick<Database, 'sequelize'>,
  stores: Stores,
  { transaction, now }: Filling,
): Put {
  const query = (sql: string, bind: unknown[] = []) => sequelize.query(sql, { bind, transaction });
  const run = (sql: string, bind: unknown[] = []): Promise<Told> => query(sql, bind).then(() => NOTHING);
  /** Ingredients that formulas may name; own ones come before them. */
  let known: readonly Ingredient[] | null = null;

  return {
    head: async () => NOTHING,
    kitchen: ({ kitchen }) => run('UPDATE kitchen SET document = $1', [JSON.stringify(kitchen)]),
    ingredient: async ({ ingredient }) => {
      known = null;
      return run(
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
      known ??= await stores.ingredients.list(transaction);
      const foods = known;
      const kept = versions.map((version) => ({ ...version, ...withoutUnknown(version.formula, foods) }));
      const newest = kept.at(-1)?.formula;
      const workable = newest && missingIngredients(newest, foods).length === 0;
      await query('INSERT INTO formulas (id, currentVersion, archivedAt) VALUES ($1, $2, $3)', [
        newest?.id,
        newest?.version,
        archivedAt ?? (workable ? null : now.toISOString()),
      ]);
      for (const { formula, reason, savedAt } of kept) {
        await query(
          'INSERT INTO formula_versions (formulaId, version, document, reason, savedAt) VALUES ($1, $2, $3, $4, $5)',
          [formula.id, formula.version, JSON.stringify(formula), reason, savedAt],
        );
      }
      return kept.flatMap(({ told }) => told);
    },
    'saved-plan': ({ plan }) =>
      run('INSERT INTO saved_plans (id, document) VALUES ($1, $2)', [plan.id, JSON.stringify(plan)]),
    service: async ({ service, acts }) => {
      await query('INSERT INTO service_days (id, document) VALUES ($1, $2)', [
        service.day,
        JSON.stringify(service),
      ]);
      for (const act of acts) {
        await query('INSERT INTO service_acts (id, day, document) VALUES ($1, $2, $3)', [
          act.id,
          service.day,
          JSON.stringify(act),
        ]);
      }
      return NOTHING;
    },
    carried: ({ carried }) =>
      run('INSERT INTO carried (id, document) VALUES ($1, $2)', [carried.id, JSON.stringify(carried)]),
    batch: ({ start, plan, events, receivedAt }) =>
      stores.batches.insertIn(start, plan, events, transaction, receivedAt).then(() => NOTHING),
    end: async () => NOTHING,
  };
}

/** A line that was checked, and what of it was put right. */
interface ReadLine {
  line: BackupLine;
  told: Told;
}

function readLine(text: string, at: number, now: Date): ReadLine {
  if (deepest(text, MOST_NESTED) > MOST_NESTED) {
    throw InputError.at('', message('it nests deeper than {most, number} levels.', { most: MOST_NESTED }));
  }
  const value = parseJson(text);
  const schema: z.ZodType = at === 1 ? backupHeadSchema : backupLineSchema;
  let told = NOTHING;
  try {
    parseInput(schema, value);
  } catch (error) {
    told = repairNames(schema, value);
    if (told.length === 0) throw error;
    parseInput(schema, value);
  }
  const dates = wrongDates(value, now);
  if (dates.length > 0) throw new InputError(dates);
  // Checked, and kept as it is written: a restored kitchen gives the same backup to the letter.
  return { line: value as BackupLine, told };
}

/**
 * What a line is refused for, by its number; null for what is no fault of a line. What the database refuses is a line that
 * refers to nothing, or that comes twice.
 */
function asLineProblems(error: unknown, at: number): readonly Problem[] | null {
  const { name } = error as { name?: string };
  if (name === 'SequelizeForeignKeyConstraintError' || name === 'SequelizeUniqueConstraintError') {
    return [lineProblem(at, '', 'it refers to something that is not in the backup, or comes twice.')];
  }
  if (error instanceof WrongFile || !(error instanceof InputError)) return null;
  return error.problems.map(({ path, message: problem }) => lineProblem(at, path, problem));
}
