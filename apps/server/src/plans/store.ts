import type { SavedPlan } from '@kettle-scale/core/plan';
import { DataTypes } from 'sequelize';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

/** Plans kept for later. */
export function openPlanStore({ sequelize, write }: Database) {
  const rows = documentModel<SavedPlan>(sequelize, 'saved_plans', {
    id: { type: DataTypes.TEXT, primaryKey: true },
  });
  return {
    /** The newest first. */
    list: async (): Promise<SavedPlan[]> =>
      (await rows.findAll()).map((row) => row.document).sort((a, b) => b.savedAt.localeCompare(a.savedAt)),
    put: async (document: SavedPlan): Promise<SavedPlan> => {
      await write((transaction) => rows.upsert({ id: document.id, document }, { transaction }));
      return document;
    },
    /** Returns whether there was one. */
    remove: (id: string): Promise<boolean> =>
      write(async (transaction) => (await rows.destroy({ where: { id }, transaction })) > 0),
  };
}

export type PlanStore = ReturnType<typeof openPlanStore>;
