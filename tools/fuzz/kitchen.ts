import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import sqlite3 from 'sqlite3';
import { openTestKitchen } from '../../apps/server/src/test/kitchen';

/** A demo kitchen on a port of this process, which holds every answer against its schema, and a look at its file. */
export async function openKitchen() {
  /** What the server logged of errors that nobody foresaw. */
  const errors: string[] = [];
  const kitchen = await openTestKitchen({ demo: true, log: { write: (line) => void errors.push(line) } });
  const server = createServer(kitchen.app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const looker = new sqlite3.Database(kitchen.path, sqlite3.OPEN_READONLY);
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    errors,
    /** Another number whenever somebody else has written to the file. */
    changes: () =>
      new Promise<number>((resolve, reject) =>
        looker.get('PRAGMA data_version', (error: Error | null, row: { data_version: number }) =>
          error ? reject(error) : resolve(row.data_version),
        ),
      ),
    close: async (): Promise<void> => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await new Promise((resolve) => looker.close(resolve));
      await kitchen.close();
    },
  };
}
