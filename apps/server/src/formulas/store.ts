import type { Formula } from '@kettle-scale/core';
import { DataTypes, type Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';

/** One saved version of a formula. */
export interface FormulaVersion {
  formula: Formula;
  reason: string;
  savedAt: string;
}

interface VersionRow {
  formulaId: string;
  version: number;
  document: Formula;
  reason: string;
  savedAt: string;
}

/** Formulas and all their versions. Versions are never changed or removed. */
export function openFormulaStore({ sequelize, write }: Database) {
  const options = { timestamps: false };
  const heads = sequelize.define(
    'formulas',
    { id: { type: DataTypes.TEXT, primaryKey: true }, currentVersion: DataTypes.INTEGER },
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

  const asVersion = (row: { get: () => unknown }): FormulaVersion => {
    const { document, reason, savedAt } = row.get() as VersionRow;
    return { formula: document, reason, savedAt };
  };
  const currentVersion = async (id: string, transaction?: Transaction): Promise<number | null> => {
    const head = await heads.findByPk(id, { transaction: transaction ?? null });
    return head ? Number(head.get('currentVersion')) : null;
  };

  return {
    list: async (): Promise<Formula[]> => {
      const rows = await versions.findAll({
        include: [{ model: heads, required: true, attributes: [] }],
        where: sequelize.where(sequelize.col('formula.currentVersion'), '=', sequelize.col('version')),
      });
      return rows.map((row) => asVersion(row).formula).sort((a, b) => a.name.localeCompare(b.name));
    },
    currentVersion,
    get: async (id: string, version: number): Promise<FormulaVersion | null> => {
      const row = await versions.findOne({ where: { formulaId: id, version } });
      return row ? asVersion(row) : null;
    },
    history: async (id: string): Promise<FormulaVersion[]> =>
      (await versions.findAll({ where: { formulaId: id }, order: [['version', 'DESC']] })).map(asVersion),
    /**
     * Saves a formula as its next version, whatever number the document carries.
     * @returns null when `create` is asked for an id that exists, or an update for one that does not
     */
    save: (
      formula: Formula,
      reason: string,
      savedAt: string,
      create: boolean,
    ): Promise<FormulaVersion | null> =>
      write(async (transaction) => {
        const current = await currentVersion(formula.id, transaction);
        if ((current === null) !== create) return null;
        const version = (current ?? 0) + 1;
        const document = { ...formula, version };
        await heads.upsert({ id: formula.id, currentVersion: version }, { transaction });
        await versions.create({ formulaId: formula.id, version, document, reason, savedAt }, { transaction });
        return { formula: document, reason, savedAt };
      }),
  };
}

export type FormulaStore = ReturnType<typeof openFormulaStore>;
