import { QueryTypes, type Sequelize, Transaction } from 'sequelize';
import { Umzug } from 'umzug';
import { StartProblem } from './startProblem';
import { type Migration, migrations as all } from './migrations';

const newerFile = (at: string): StartProblem =>
  new StartProblem(
    `This kitchen was last used with a newer version of the program (its tables are at “${at}”). Update the program; nothing was changed.`,
  );

/**
 * Looks whether the tables are those of this program, and changes nothing.
 * @throws StartProblem where they are of an older or a newer one
 */
export async function checkMigrated(sequelize: Sequelize): Promise<void> {
  const known = await sequelize.query<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name = 'migrations'",
    { type: QueryTypes.SELECT },
  );
  const done =
    known.length === 0
      ? []
      : await sequelize.query<{ name: string }>('SELECT name FROM migrations ORDER BY name', {
          type: QueryTypes.SELECT,
        });
  const ours = names(all);
  const unknown = done.find(({ name }) => !ours.has(name));
  if (unknown) throw newerFile(unknown.name);
  if (done.length < ours.size) {
    throw new StartProblem(
      'This kitchen is of an older version of the program: start its server once, which copies it and brings it up to date. Nothing was changed.',
    );
  }
}

const names = (list: readonly { name: string }[]): Set<string> => new Set(list.map(({ name }) => name));

/**
 * Brings the tables up to date as one transaction, the list of what was done included: a kill at any moment leaves the
 * old tables or the new.
 * @throws StartProblem when the file was written by a newer program
 */
export const migrate = (sequelize: Sequelize, migrations: readonly Migration[] = all): Promise<void> =>
  sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
    const run = (sql: string, bind?: string[]) =>
      sequelize.query(sql, { transaction, ...(bind ? { bind } : {}) });
    const executed = async (): Promise<string[]> =>
      (
        await sequelize.query<{ name: string }>('SELECT name FROM migrations ORDER BY name', {
          transaction,
          type: QueryTypes.SELECT,
        })
      ).map(({ name }) => name);

    await run('CREATE TABLE IF NOT EXISTS migrations (name VARCHAR(255) NOT NULL UNIQUE PRIMARY KEY)');
    const known = names(migrations);
    const unknown = (await executed()).find((name) => !known.has(name));
    if (unknown) throw newerFile(unknown);
    const umzug = new Umzug({
      migrations: migrations.map(({ name, statements }) => ({
        name,
        up: async () => {
          for (const statement of statements) await run(statement);
        },
      })),
      storage: {
        executed,
        logMigration: async ({ name }) =>
          void (await run('INSERT INTO migrations (name) VALUES ($1)', [name])),
        unlogMigration: async ({ name }) =>
          void (await run('DELETE FROM migrations WHERE name = $1', [name])),
      },
      logger: undefined,
    });
    await umzug.up();
  });
