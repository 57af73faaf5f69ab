import type { FlourLot } from '@kettle-scale/core';
import { DataTypes } from 'sequelize';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

/** The flour lots that the kitchen has received. */
export function openFlourLotStore({ sequelize, write }: Database) {
  const rows = documentModel<FlourLot>(sequelize, 'flour_lots', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    ingredientId: { type: DataTypes.TEXT, allowNull: false },
  });

  return {
    list: async (): Promise<FlourLot[]> =>
      (await rows.findAll())
        .map((row) => row.document)
        .sort((a, b) => b.receivedOn.localeCompare(a.receivedOn) || a.id.localeCompare(b.id)),
    has: async (id: string): Promise<boolean> => (await rows.count({ where: { id } })) > 0,
    add: async (document: FlourLot): Promise<void> => {
      await write((transaction) =>
        rows.create({ id: document.id, ingredientId: document.ingredient, document }, { transaction }),
      );
    },
  };
}

export type FlourLotStore = ReturnType<typeof openFlourLotStore>;
