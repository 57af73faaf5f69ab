import * as start from './0001-start';
import * as book from './0002-book';
import * as bench from './0003-bench';
import * as log from './0004-log';
import * as service from './0005-service';
import * as phones from './0006-phones';
import * as reads from './0007-reads';
import * as lots from './0008-lots';
import * as bakes from './0009-bakes';

export interface Migration {
  name: string;
  /** SQL in order. */
  statements: readonly string[];
}

/** In order; a migration that has landed is never edited. */
export const migrations: readonly Migration[] = [
  { name: '0001-start', ...start },
  { name: '0002-book', ...book },
  { name: '0003-bench', ...bench },
  { name: '0004-log', ...log },
  { name: '0005-service', ...service },
  { name: '0006-phones', ...phones },
  { name: '0007-reads', ...reads },
  { name: '0008-lots', ...lots },
  { name: '0009-bakes', ...bakes },
];
