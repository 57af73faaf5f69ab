import { CATALOGUE, type Ingredient, kitchenIngredients } from '@kettle-scale/core/ingredient';
import { DataTypes, Op, type Transaction } from 'sequelize';
import type { Guard } from '../db/guard';
import type { Database } from '../db/openDatabase';

interface Row {
  id: string;
  own: Ingredient | null;
}

/** The kitchen's ingredients: the catalogue that comes with the program, and what the kitchen changed or added. */
export async function openIngredientStore({ sequelize, write }: Database) {
  const rows = sequelize.define(
    'ingredients',
    { id: { type: DataTypes.TEXT, primaryKey: true }, own: DataTypes.JSON },
    { timestamps: false },
  );
  await write((transaction) =>
    rows.bulkCreate(
      CATALOGUE.map(({ id }) => ({ id })),
      { ignoreDuplicates: true, transaction },
    ),
  );
  const inCatalogue = new Set(CATALOGUE.map(({ id }) => id));

  const own = async (transaction?: Transaction): Promise<Ingredient[]> => {
    const found = await rows.findAll({
      where: { own: { [Op.ne]: null } },
      order: ['id'],
      transaction: transaction ?? null,
    });
    return found.flatMap((row) => (row.get() as Row).own ?? []);
  };

  const putIn = async (food: Ingredient, transaction: Transaction): Promise<Ingredient> => {
    await rows.upsert({ id: food.id, own: food }, { transaction });
    return food;
  };

  return {
    /** Those that are the kitchen's own or changed. */
    own,
    list: async (transaction?: Transaction): Promise<Ingredient[]> =>
      kitchenIngredients(await own(transaction)),
    /** Inside of a write that is open. */
    putIn,
    /** @param guard refuses by throwing; nothing is written between it and the ingredient */
    put: (food: Ingredient, guard: Guard): Promise<Ingredient> =>
      write(async (transaction) => {
        await guard(transaction);
        return putIn(food, transaction);
      }),
    /**
     * Takes back the kitchen's changes; an ingredient of its own is gone after that.
     * @param guard refuses by throwing; nothing is written between it and the end of the ingredient
     */
    reset: async (id: string, guard: Guard): Promise<void> => {
      await write(async (transaction) => {
        await guard(transaction);
        if (inCatalogue.has(id)) await rows.update({ own: null }, { where: { id }, transaction });
        else await rows.destroy({ where: { id }, transaction });
      });
    },
  };
}

export type IngredientStore = Awaited<ReturnType<typeof openIngredientStore>>;
