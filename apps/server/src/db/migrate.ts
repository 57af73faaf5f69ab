import { QueryTypes, type Sequelize, Transaction } from 'sequelize';
import { Umzug } from 'umzug';
import { StartProblem } from './startProblem';
import { type Migration, migrations as all } from './migrations';

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
    if (unknown) {
      throw new StartProblem(
        `This kitchen was last used with a newer version of the program (its tables are at “${unknown}”). Update the program; nothing was changed.`,
      );
    }
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
