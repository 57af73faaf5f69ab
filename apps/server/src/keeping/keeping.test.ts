import { writeAll } from '@kettle-scale/core/message';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  statSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect } from '../db/connection';
import { openDatabase } from '../db/openDatabase';
import { KITCHEN_FILE, openKitchen } from '../openKitchen';
import { batchStart, openTestKitchen, wrap } from '../test/kitchen';
import { backupFolder, backupsIn, makeBackup, readBack } from './backups';
import { examine } from './doctor';
import { strangersFile } from './strangersFiles';

const DAY_MS = 24 * 3_600_000;
const now = new Date();
const newFolder = () => mkdtempSync(join(tmpdir(), 'kettle-keep-'));

/** A folder with a kitchen in it: a formula and a batch. */
async function folderWithKitchen(): Promise<string> {
  const data = newFolder();
  const kitchen = await openTestKitchen({ file: join(data, KITCHEN_FILE) });
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
  await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  await kitchen.close();
  return data;
}
const inFile = async (data: string, sql: string) => {
  const connection = await connect(join(data, KITCHEN_FILE));
  await connection.exec(sql);
  await connection.close();
};
const backUp = async (data: string, day: string) => {
  const database = await openDatabase(join(data, KITCHEN_FILE));
  return makeBackup(database, backupFolder(data), { day, now }).finally(database.close);
};

test('a backup comes back whole, and the ninth day throws the first away', async () => {
  const data = await folderWithKitchen();
  for (let day = 2; day <= 9; day += 1) {
    expect(await backUp(data, `2026-03-0${day}`)).toMatchObject({
      counts: { formula: 1, batch: 1 },
      unusable: [],
    });
  }
  // A Sunday is the newest of its week, and so the Sunday before the seven days would stay; the 2nd of March is a Monday.
  const days = backupsIn(backupFolder(data)).map(({ day }) => day);
  expect(days).toEqual(['09', '08', '07', '06', '05', '04', '03'].map((day) => `2026-03-${day}`));
  const [newest] = backupsIn(backupFolder(data));
  expect(await readBack(newest?.file ?? '', data)).toMatchObject({
    counts: { formula: 1, batch: 1 },
    unusable: [],
  });
  expect(readdirSync(data).filter((name) => name.includes('drill'))).toEqual([]);
});

test('what cannot be read back gets no name, and the backups before it stay', async () => {
  const data = await folderWithKitchen();
  await backUp(data, '2026-03-02');
  await inFile(data, 'DELETE FROM kitchen');
  await expect(backUp(data, '2026-03-03')).rejects.toThrow(/settings of the kitchen are not in the backup/);
  expect(readdirSync(backupFolder(data))).toEqual(['kitchen-2026-03-02.jsonl.gz']);
  // A file that was cut off by a full disk is noticed in a drill.
  const [kept] = backupsIn(backupFolder(data));
  truncateSync(kept?.file ?? '', 400);
  await expect(readBack(kept?.file ?? '', data)).rejects.toThrow();
});

/** A kitchen as the release before phones left it. */
const older = (data: string) =>
  inFile(
    data,
    `DROP INDEX batch_events_notes; DROP INDEX batch_finds_by_status; DROP TABLE phones; DROP TABLE bake_opinions; DELETE FROM migrations WHERE name > '0005-service'`,
  );

test('a backup beside the server never upgrades: only a start does, which has made its copy', async () => {
  const data = await folderWithKitchen();
  await older(data);
  await expect(backUp(data, '2026-03-02')).rejects.toThrow(
    /older version of the program: start its server once/,
  );
  const connection = await connect(join(data, KITCHEN_FILE));
  expect(await connection.row('SELECT MAX(name) AS at FROM migrations')).toEqual({ at: '0005-service' });
  await connection.close();
  expect(existsSync(backupFolder(data))).toBe(false);
});

test('a kitchen with a line that no restore takes as it is has a backup all the same, and that is told', async () => {
  const data = await folderWithKitchen();
  const topping = '[{"id":"top","ingredient":"moon-dust","gPerPiece":2,"when":"at the end"}]';
  await inFile(
    data,
    `UPDATE formula_versions SET document = json_set(document, '$.onBread', json('${topping}'))`,
  );
  const { counts, unusable } = await backUp(data, '2026-03-02');
  expect([counts.batch, writeAll(unusable)]).toMatchObject([
    1,
    [{ message: expect.stringMatching(/moon-dust/) }],
  ]);
  expect(readdirSync(backupFolder(data))).toEqual(['kitchen-2026-03-02.jsonl.gz']);
});

test('nobody but its owner reads a kitchen and its backups, and what older programs left open is closed', async () => {
  const data = await folderWithKitchen();
  await backUp(data, '2026-03-02');
  const file = join(data, KITCHEN_FILE);
  const backup = backupsIn(backupFolder(data))[0]?.file ?? '';
  const rights = (path: string) => statSync(path).mode & 0o777;
  expect([file, backup, backupFolder(data)].map(rights)).toEqual([0o600, 0o600, 0o700]);
  [file, backup].forEach((path) => chmodSync(path, 0o644));
  await (await openKitchen(data)).close();
  expect([file, backup].map(rights)).toEqual([0o600, 0o600]);
});

test('what a kill has left half made is gone at the next start; what somebody makes just now stays', async () => {
  const data = await folderWithKitchen();
  await backUp(data, '2026-03-02');
  const backups = backupFolder(data);
  const dead = 999_999_999;
  const left = [
    join(data, 'kitchen.sqlite.restoring-1-wal'),
    join(data, `${dead}-1-drill.sqlite`),
    join(data, 'sandbox-Ab12'),
    join(backups, `making-${dead}-1.jsonl.gz`),
    join(backups, 'making-0b9e.jsonl.gz'),
    join(backups, '0b9e-drill.sqlite-journal'),
    join(backups, 'before-upgrade-0005-service.sqlite.making'),
  ];
  const running = join(backups, `making-${process.pid}-1.jsonl.gz`);
  for (const path of [...left, running]) writeFileSync(path, 'half');
  await (await openKitchen(data)).close();
  expect(left.filter((path) => existsSync(path))).toEqual([]);
  expect(readdirSync(backups).sort()).toEqual([
    'kitchen-2026-03-02.jsonl.gz',
    `making-${process.pid}-1.jsonl.gz`,
  ]);
});

test('files of another user are told by name, with what to do', async () => {
  const data = await folderWithKitchen();
  await backUp(data, '2026-03-02');
  const ours = { id: 12_345, groups: [12_345] };
  const theirs = statSync(data).uid;
  chownSync(data, ours.id, 12_345);
  expect(strangersFile(data, ours)).toMatch(
    new RegExp(`^${data}/kitchen.sqlite belongs to root, and the server’s user cannot`),
  );
  for (const name of [KITCHEN_FILE, 'kitchen.lock']) {
    if (existsSync(join(data, name))) chownSync(join(data, name), ours.id, 12_345);
  }
  expect(strangersFile(data, ours)).toMatch(/backups belongs to root.*sudo chown -R/);
  expect(strangersFile(data, { id: theirs, groups: [] })).toBeNull();
});

test('an upgrade leaves a copy that the older program knows', async () => {
  const data = await folderWithKitchen();
  await older(data);
  await (await openKitchen(data)).close();
  expect(readdirSync(backupFolder(data))).toEqual(['before-upgrade-0005-service.sqlite']);
  const copy = await connect(join(backupFolder(data), 'before-upgrade-0005-service.sqlite'));
  expect(await copy.row('SELECT MAX(name) AS at FROM migrations')).toEqual({ at: '0005-service' });
  expect(await copy.row('SELECT COUNT(*) AS n FROM batches')).toEqual({ n: 1 });
  await copy.close();
  // Nothing is left to upgrade the next time.
  await (await openKitchen(data)).close();
  expect(readdirSync(backupFolder(data))).toHaveLength(1);
});

describe('the doctor', () => {
  const found = async (data: string, at = now) =>
    Object.fromEntries(
      writeAll(await examine(data, at)).map(({ what, state, says }) => [what, `${state}: ${says}`]),
    );

  test('finds a kitchen that is well, and says what it found', async () => {
    const data = await folderWithKitchen();
    await backUp(data, now.toISOString().slice(0, 10));
    const kitchen = await openKitchen(data);
    expect(await found(data)).toMatchObject({
      Server: 'well: running.',
      Database: 'well: whole.',
      Version: expect.stringMatching(/^well/),
      Clock: expect.stringMatching(/^well/),
      Backups: expect.stringMatching(/^well: 1, the newest of/),
    });
    await kitchen.close();
    expect(await found(data)).toMatchObject({ Server: 'look: not running with this folder.' });
  });

  test('finds what is broken, and says what to do', async () => {
    const data = await folderWithKitchen();
    expect(await found(data)).toMatchObject({ Backups: expect.stringMatching(/^look: none yet/) });
    await backUp(data, '2026-03-02');
    const old = new Date(now.getTime() - 3 * DAY_MS);
    utimesSync(backupsIn(backupFolder(data))[0]?.file ?? '', old, old);
    expect(await found(data)).toMatchObject({ Backups: expect.stringMatching(/^broken.*too old/) });
    await inFile(
      data,
      `INSERT INTO batch_events (id, batchId, document, receivedAt) SELECT 'x', id, '{}', '2099-01-01T00:00:00.000Z' FROM batches`,
    );
    expect(await found(data)).toMatchObject({ Clock: expect.stringMatching(/^broken: set back/) });
    writeFileSync(join(data, KITCHEN_FILE), 'no database');
    for (const end of ['-wal', '-shm']) expect(existsSync(join(data, KITCHEN_FILE + end))).toBe(false);
    expect(await found(data)).toMatchObject({ Database: expect.stringMatching(/^broken: cannot be read/) });
    expect(await found(newFolder())).toEqual({
      Folder: expect.stringMatching(/^broken: there is no kitchen/),
    });
  });
});
