import { DEFAULT_KITCHEN, type Kitchen } from '@kettle-scale/core/kitchen';
import { DataTypes, type Transaction } from 'sequelize';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

const ONLY_ROW = 1;
/** Where the server stands; the kitchen is taken to be there too until it says otherwise. */
const SERVER_ZONE = new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The kitchen with its time zone, as it says or as the server guesses. */
export type KitchenInPlace = Kitchen & { timeZone: string };

const inPlace = (kitchen: Kitchen): KitchenInPlace => ({
  ...kitchen,
  timeZone: kitchen.timeZone ?? SERVER_ZONE,
});

/** The kitchen's own settings: scales, bowl, losses. There is one. */
export async function openKitchenStore({ sequelize, write }: Database) {
  const rows = documentModel<Kitchen>(sequelize, 'kitchen', {
    id: { type: DataTypes.INTEGER, primaryKey: true },
  });
  await write((transaction) =>
    rows.bulkCreate([{ id: ONLY_ROW, document: DEFAULT_KITCHEN }], { ignoreDuplicates: true, transaction }),
  );

  const changeIn = async (
    changed: (now: KitchenInPlace) => Kitchen,
    transaction: Transaction,
  ): Promise<KitchenInPlace> => {
    const { document: now } = await rows.findByPk(ONLY_ROW, { rejectOnEmpty: true, transaction });
    const document = changed(inPlace(now));
    await rows.update({ document }, { where: { id: ONLY_ROW }, transaction });
    return inPlace(document);
  };

  /** As it was last read: nearly every answer asks in which zone the kitchen is. */
  let held: Kitchen | null = null;
  /** What was read before something changed is not held. */
  let changes = 0;
  const forget = (): void => {
    changes += 1;
    held = null;
  };
  /** Holds nothing that was read while the write was on its way. */
  const changing = async <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
    try {
      return await write(work);
    } finally {
      forget();
    }
  };

  return {
    get: async (): Promise<KitchenInPlace> => {
      if (held) return inPlace(held);
      const before = changes;
      const { document } = await rows.findByPk(ONLY_ROW, { rejectOnEmpty: true });
      if (changes === before) held = document;
      return inPlace(document);
    },
    /** Has it read again: somebody else wrote it. */
    forget,
    /** Puts what a change makes of the kitchen as it stands then: no other change comes between. */
    change: (changed: (now: KitchenInPlace) => Kitchen): Promise<KitchenInPlace> =>
      changing((transaction) => changeIn(changed, transaction)),
    /** The same inside of a write that is open. */
    changeIn,
    put: async (document: Kitchen): Promise<KitchenInPlace> => {
      await changing((transaction) => rows.update({ document }, { where: { id: ONLY_ROW }, transaction }));
      return inPlace(document);
    },
  };
}

export type KitchenStore = Awaited<ReturnType<typeof openKitchenStore>>;
