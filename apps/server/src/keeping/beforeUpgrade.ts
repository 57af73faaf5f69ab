import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { connect } from '../db/connection';
import { privateFile, privateFolder } from '../db/ownerOnly';
import { putInPlace } from '../db/putInPlace';
import { migrations } from '../db/migrations';
import { StartProblem, sqliteCode } from '../db/startProblem';
import { backupFolder } from './backups';
import { strangersFile } from './strangersFiles';

const NAME = /^before-upgrade-.*\.sqlite$/;
/** Two ways back are enough; each is as large as the kitchen. */
const MOST_KEPT = 2;

/** The newest migration that a file has, where a later one waits for it; null where none does, or it is no kitchen of ours. */
async function upgradesFrom(file: string): Promise<string | null> {
  const connection = await connect(file);
  try {
    const { there } = await connection.row(
      "SELECT COUNT(*) AS there FROM sqlite_master WHERE name = 'migrations'",
    );
    if (there !== 1) return null;
    const { newest } = await connection.row('SELECT MAX(name) AS newest FROM migrations');
    const last = migrations.at(-1)?.name ?? '';
    return typeof newest === 'string' && newest < last ? newest : null;
  } finally {
    await connection.close();
  }
}

/** A file that cannot be read is told about by who opens it in earnest. */
function damaged(error: unknown): null {
  if (sqliteCode(error) === undefined) throw error;
  return null;
}

/**
 * Copies a kitchen that is about to be upgraded, as the file that the older program knows: the way back.
 * @param file the kitchen's database
 * @returns the copy; null where nothing is to be upgraded
 * @throws StartProblem when it cannot be copied, since then there would be no way back
 */
export async function copyBeforeUpgrade(data: string, file: string): Promise<string | null> {
  if (!existsSync(file)) return null;
  const from = await upgradesFrom(file).catch(damaged);
  if (from === null) return null;
  const strangers = strangersFile(data);
  if (strangers)
    throw new StartProblem(`This kitchen is to be upgraded, and a copy of it is made first. ${strangers}`);
  const folder = backupFolder(data);
  privateFolder(folder);
  const copy = join(folder, `before-upgrade-${from}.sqlite`);
  const making = `${copy}.making`;
  rmSync(making, { force: true });
  const connection = await connect(file);
  try {
    await connection.exec(`VACUUM INTO '${making.replaceAll("'", "''")}'`);
  } catch (error) {
    rmSync(making, { force: true });
    throw new StartProblem(
      `This kitchen is to be upgraded, and no copy of it could be written to ${folder} first (${sqliteCode(error) ?? String(error)}). Make room there; nothing was changed.`,
    );
  } finally {
    await connection.close();
  }
  privateFile(making);
  putInPlace(making, copy);
  const copies = readdirSync(folder)
    .filter((name) => NAME.test(name))
    .sort();
  for (const old of copies.slice(0, -MOST_KEPT)) rmSync(join(folder, old));
  return copy;
}
