import type { BookEntry, FormulaVersion } from '@kettle-scale/core/document';
import { FORMULA_FORMAT_VERSION, type Formula, ingredientsOf } from '@kettle-scale/core/formula';
import { DataTypes, type Transaction } from 'sequelize';
import { type Guard, allow } from '../db/guard';
import type { Database } from '../db/openDatabase';

interface VersionRow {
  formulaId: string;
  version: number;
  document: Formula;
  reason: string;
  savedAt: string;
}

/** What became of a save. */
export type Saved =
  | { as: 'saved'; version: FormulaVersion }
  | { as: 'taken' }
  | { as: 'missing' }
  /** Somebody else saved in between: this is theirs. */
  | { as: 'newer'; current: FormulaVersion };

function tablesOf(sequelize: Database['sequelize']) {
  const options = { timestamps: false };
  const heads = sequelize.define(
    'formulas',
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      currentVersion: DataTypes.INTEGER,
      archivedAt: DataTypes.TEXT,
    },
    options,
  );
  const versions = sequelize.define(
    'formula_versions',
    {
      formulaId: { type: DataTypes.TEXT, primaryKey: true },
      version: { type: DataTypes.INTEGER, primaryKey: true },
      document: DataTypes.JSON,
      reason: DataTypes.TEXT,
      savedAt: DataTypes.TEXT,
    },
    options,
  );
  versions.belongsTo(heads, { foreignKey: 'formulaId' });
  return { heads, versions };
}

const asVersion = (row: { get: () => unknown }): FormulaVersion => {
  const { document, reason, savedAt } = row.get() as VersionRow;
  return { formula: document, reason, savedAt };
};
const archivedAtOf = (row: { get: (key: string) => unknown }): string | null =>
  (row.get('formula') as { get: (key: string) => string | null }).get('archivedAt');

/** What is read of them. */
function readsOf(sequelize: Database['sequelize'], { heads, versions }: ReturnType<typeof tablesOf>) {
  const entries = async (transaction?: Transaction): Promise<BookEntry[]> => {
    const rows = await versions.findAll({
      include: [{ model: heads, required: true, attributes: ['archivedAt'] }],
      where: sequelize.where(sequelize.col('formula.currentVersion'), '=', sequelize.col('version')),
      transaction: transaction ?? null,
    });
    return rows
      .map((row) => ({ ...asVersion(row), archived: archivedAtOf(row) !== null }))
      .sort((a, b) => a.formula.name.localeCompare(b.formula.name));
  };
  const current = async (id: string, transaction?: Transaction): Promise<FormulaVersion | null> => {
    const head = await heads.findByPk(id, { transaction: transaction ?? null });
    if (!head) return null;
    const row = await versions.findOne({
      where: { formulaId: id, version: Number(head.get('currentVersion')) },
      transaction: transaction ?? null,
    });
    return row ? asVersion(row) : null;
  };
  return {
    entries,
    current,
    list: async (): Promise<Formula[]> =>
      (await entries()).filter(({ archived }) => !archived).map(({ formula }) => formula),
    get: async (id: string, version: number): Promise<FormulaVersion | null> => {
      const row = await versions.findOne({ where: { formulaId: id, version } });
      return row ? asVersion(row) : null;
    },
    history: async (id: string): Promise<FormulaVersion[]> =>
      (await versions.findAll({ where: { formulaId: id }, order: [['version', 'DESC']] })).map(asVersion),
    /** Names of the formulas whose current version uses an ingredient. */
    using: async (ingredient: string, transaction: Transaction): Promise<string[]> =>
      (await entries(transaction))
        .filter(({ formula }) => ingredientsOf(formula).has(ingredient))
        .map(({ formula }) => formula.name),
    /** Names of the formulas that have an ingredient in one of their versions: old ones are opened and restored too. */
    everUsing: async (ingredient: string, transaction: Transaction): Promise<string[]> => {
      const all = (await versions.findAll({ transaction })).map((row) => asVersion(row).formula);
      return [...new Set(all.filter((one) => ingredientsOf(one).has(ingredient)).map(({ name }) => name))];
    },
  };
}

/** Formulas and all their versions. Versions are never changed or removed. */
export function openFormulaStore({ sequelize, write }: Database) {
  const tables = tablesOf(sequelize);
  const { heads, versions } = tables;
  const reads = readsOf(sequelize, tables);
  const { current } = reads;

  /** Adds the next version, whatever number the document carries. */
  const append = async (
    formula: Formula,
    reason: string,
    savedAt: string,
    after: number,
    transaction: Transaction,
  ): Promise<FormulaVersion> => {
    const version = after + 1;
    const document: Formula = { ...formula, formatVersion: FORMULA_FORMAT_VERSION, version };
    if (after === 0) await heads.create({ id: formula.id, currentVersion: version }, { transaction });
    else await heads.update({ currentVersion: version }, { where: { id: formula.id }, transaction });
    await versions.create({ formulaId: formula.id, version, document, reason, savedAt }, { transaction });
    return { formula: document, reason, savedAt };
  };

  const putAway = async (
    id: string,
    archivedAt: string | null,
    transaction: Transaction,
  ): Promise<boolean> => {
    const [count] = await heads.update({ archivedAt }, { where: { id }, transaction });
    return count > 0;
  };

  return {
    ...reads,
    append,
    /** @param guard refuses by throwing; nothing is written between it and the formula */
    create: (formula: Formula, reason: string, savedAt: string, guard: Guard = allow): Promise<Saved> =>
      write(async (transaction) => {
        await guard(transaction);
        if (await heads.findByPk(formula.id, { transaction })) return { as: 'taken' };
        return { as: 'saved', version: await append(formula, reason, savedAt, 0, transaction) };
      }),
    /** Saves the next version, if the one it was made from is still the newest. */
    saveAfter: (
      formula: Formula,
      reason: string,
      savedAt: string,
      after: number,
      guard: Guard = allow,
    ): Promise<Saved> =>
      write(async (transaction) => {
        await guard(transaction);
        const newest = await current(formula.id, transaction);
        if (!newest) return { as: 'missing' };
        if (newest.formula.version !== after) return { as: 'newer', current: newest };
        return { as: 'saved', version: await append(formula, reason, savedAt, after, transaction) };
      }),
    /** Puts a formula away, or takes it out again with null. Gives whether there is such a formula. */
    archive: (id: string, archivedAt: string | null): Promise<boolean> =>
      write((transaction) => putAway(id, archivedAt, transaction)),
    putAway,
  };
}

export type FormulaStore = ReturnType<typeof openFormulaStore>;
