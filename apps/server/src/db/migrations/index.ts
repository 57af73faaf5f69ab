import type { Sequelize } from 'sequelize';
import * as start from './0001-start';
import * as book from './0002-book';
import * as bench from './0003-bench';
import * as log from './0004-log';

export interface Migration {
  name: string;
  up: (sequelize: Sequelize) => Promise<void>;
}

/** In order; a migration that has landed is never edited. */
export const migrations: readonly Migration[] = [
  { name: '0001-start', up: start.up },
  { name: '0002-book', up: book.up },
  { name: '0003-bench', up: bench.up },
  { name: '0004-log', up: log.up },
];
