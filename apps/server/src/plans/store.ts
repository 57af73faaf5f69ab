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
    /** @param allow refuses by throwing, once it knows what is there now */
    put: (document: SavedPlan, allow: (before: SavedPlan | null) => void): Promise<SavedPlan> =>
      write(async (transaction) => {
        allow((await rows.findByPk(document.id, { transaction }))?.document ?? null);
        await rows.upsert({ id: document.id, document }, { transaction });
        return document;
      }),
    /** Returns whether there was one. */
    remove: (id: string): Promise<boolean> =>
      write(async (transaction) => (await rows.destroy({ where: { id }, transaction })) > 0),
  };
}

export type PlanStore = ReturnType<typeof openPlanStore>;
