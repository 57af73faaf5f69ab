import { isDeepStrictEqual } from 'node:util';
import type { ServiceAct, ServiceDay, ServiceRecord } from '@kettle-scale/core/shift';
import { DataTypes } from 'sequelize';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

/** Days of service, and what happened to their bread. */
export function openServiceStore({ sequelize, write }: Database) {
  const days = documentModel<ServiceDay>(sequelize, 'service_days', {
    id: { type: DataTypes.TEXT, primaryKey: true },
  });
  const acts = documentModel<ServiceAct>(sequelize, 'service_acts', {
    id: { type: DataTypes.TEXT, primaryKey: true },
    day: { type: DataTypes.TEXT },
  });
  /** Days with their acts, in two reads however many they are. */
  async function withActs(rows: readonly { id: string | number; document: ServiceDay }[]) {
    const told = await acts.findAll({ where: { day: rows.map(({ id }) => id) }, order: [['id', 'ASC']] });
    return rows.map(({ id, document }): ServiceRecord => {
      const own = told.filter((act) => act.get('day') === id);
      return { service: document, acts: own.map((act) => act.document) };
    });
  }
  async function find(day: string): Promise<ServiceRecord | null> {
    const row = await days.findByPk(day);
    return row ? ((await withActs([row]))[0] ?? null) : null;
  }
  return {
    find,
    /** The newest first, at most so many. */
    list: async (limit: number): Promise<ServiceRecord[]> =>
      withActs(await days.findAll({ order: [['id', 'DESC']], limit })),
    /** @param allow refuses by throwing, once it knows what is there now */
    put: (
      document: ServiceDay,
      allow: (before: ServiceDay | null) => void = () => undefined,
    ): Promise<void> =>
      write(async (transaction) => {
        allow((await days.findByPk(document.day, { transaction }))?.document ?? null);
        await days.upsert({ id: document.day, document }, { transaction });
      }),
    /** A day with all its acts, in one write. */
    insertWhole: ({ service, acts: all }: ServiceRecord): Promise<void> =>
      write(async (transaction) => {
        await days.upsert({ id: service.day, document: service }, { transaction });
        await acts.bulkCreate(
          all.map((act) => ({ id: act.id, day: service.day, document: act })),
          { transaction },
        );
      }),
    /** Stores an act once; the same act again changes nothing, another under its id is a clash. */
    append: (day: string, act: ServiceAct): Promise<'new' | 'known' | 'clash' | 'no-day'> =>
      write(async (transaction) => {
        if (!(await days.findByPk(day, { transaction }))) return 'no-day';
        const known = await acts.findByPk(act.id, { transaction });
        if (known) return isDeepStrictEqual(known.document, act) ? 'known' : 'clash';
        await acts.create({ id: act.id, day, document: act }, { transaction });
        return 'new';
      }),
  };
}

export type ServiceStore = ReturnType<typeof openServiceStore>;
