import type { Carried } from '@kettle-scale/core/plan';
import { DataTypes } from 'sequelize';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

/** Changes that a cook carries from one batch into the next plan. */
export function openCarriedStore({ sequelize, write }: Database) {
  const rows = documentModel<Carried>(sequelize, 'carried', {
    id: { type: DataTypes.TEXT, primaryKey: true },
  });
  return {
    /** The newest first. */
    list: async (): Promise<Carried[]> =>
      (await rows.findAll()).map((row) => row.document).sort((a, b) => b.at.localeCompare(a.at)),
    put: async (document: Carried): Promise<Carried> => {
      await write((transaction) => rows.upsert({ id: document.id, document }, { transaction }));
      return document;
    },
    /** Returns whether there was one. */
    remove: (id: string): Promise<boolean> =>
      write(async (transaction) => (await rows.destroy({ where: { id }, transaction })) > 0),
  };
}

export type CarriedStore = ReturnType<typeof openCarriedStore>;
