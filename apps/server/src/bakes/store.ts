import type { Opinions } from '@kettle-scale/core/bake';
import { DataTypes } from 'sequelize';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

/** More breads and plates than a kitchen changes in a year; of more, the oldest are worked out again when asked for. */
const MOST = 2000;

/** Seconds that were worked out once, by their question. */
export function openOpinionStore({ sequelize, write }: Database) {
  const rows = documentModel<Opinions>(sequelize, 'bake_opinions', {
    id: { type: DataTypes.TEXT, primaryKey: true },
  });
  return {
    get: async (id: string): Promise<Opinions | null> => (await rows.findByPk(id))?.document ?? null,
    put: (id: string, document: Opinions): Promise<Opinions> =>
      write(async (transaction) => {
        await rows.upsert({ id, document }, { transaction });
        await sequelize.query(
          `DELETE FROM bake_opinions WHERE rowid <= (SELECT MAX(rowid) FROM bake_opinions) - ${MOST}`,
          { transaction },
        );
        return document;
      }),
  };
}

export type OpinionStore = ReturnType<typeof openOpinionStore>;
