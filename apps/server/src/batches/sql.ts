import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';

/**
 * Written-out SQL over the tables of batches: these are the addresses that phones ask all day. Stored JSON goes out as it
 * is, and an act costs one insert.
 */
export const openSql = ({ sequelize, reading }: Pick<Database, 'sequelize' | 'reading'>) => ({
  /** What is committed; never what a transaction that is open has written. */
  select: <T extends object>(sql: string, bind: readonly unknown[]): Promise<T[]> =>
    reading.query<T>(sql, { bind: [...bind], type: QueryTypes.SELECT }),

  run: async (sql: string, bind: readonly unknown[], transaction?: Transaction): Promise<void> => {
    await sequelize.query(sql, { bind: [...bind], ...(transaction ? { transaction } : {}) });
  },

  /** Inserts one row and returns its number. */
  insert: async (sql: string, bind: readonly unknown[], transaction?: Transaction): Promise<number> => {
    const [seq] = await sequelize.query(sql, {
      bind: [...bind],
      type: QueryTypes.INSERT,
      ...(transaction ? { transaction } : {}),
    });
    return seq;
  },

  transaction: <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => sequelize.transaction(work),
});

export type Sql = ReturnType<typeof openSql>;
