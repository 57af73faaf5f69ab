import type { Transaction } from 'sequelize';

/**
 * What must hold when something is written: it refuses by throwing, and runs in the transaction of the write, so that nobody
 * comes between the look and the write.
 */
export type Guard = (transaction: Transaction) => Promise<void>;

export const allow: Guard = () => Promise.resolve();
