import { CATALOGUE, type Ingredient } from '@kettle-scale/core';
import { DataTypes } from 'sequelize';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

/** The kitchen's ingredients; those that come with the product are put in when the store opens. */
export async function openIngredientStore({ sequelize, write }: Database) {
  const rows = documentModel<Ingredient>(sequelize, 'ingredients', {
    id: { type: DataTypes.TEXT, primaryKey: true },
  });
  await write((transaction) =>
    rows.bulkCreate(
      CATALOGUE.map((document) => ({ id: document.id, document })),
      { ignoreDuplicates: true, transaction },
    ),
  );

  return {
    list: async (): Promise<Ingredient[]> => (await rows.findAll()).map((row) => row.document),
    get: async (id: string): Promise<Ingredient | null> => (await rows.findByPk(id))?.document ?? null,
  };
}

export type IngredientStore = Awaited<ReturnType<typeof openIngredientStore>>;
