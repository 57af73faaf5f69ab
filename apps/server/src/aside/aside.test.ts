import { setImmediate } from 'node:timers/promises';
import { openSql } from '../batches/sql';
import { openTestKitchen } from '../test/kitchen';
import { openAsideHelper } from './openHelper';
import { openAsideWork } from './work';

const CONTEXT = { lots: [], zone: 'UTC', off: [] };
const LESSONS = { find: {}, demo: true, context: CONTEXT };
const LOG = { find: {}, as: 'csv', cooks: [], people: true, exportedAt: '2026-03-04T10:00:00.000Z' } as const;

let kitchen: Awaited<ReturnType<typeof openTestKitchen>>;
let helper: ReturnType<typeof openAsideHelper>;
beforeAll(async () => {
  kitchen = await openTestKitchen({ demo: true });
  helper = openAsideHelper(kitchen.path);
});
afterAll(async () => {
  await helper.close();
  await kitchen.close();
});

test('the helper says what would be said here, and others are served meanwhile', async () => {
  const here = openAsideWork(openSql(kitchen.database));
  let turns = 0;
  let waiting = true;
  const others = (async () => {
    for (; waiting; turns += 1) await setImmediate();
  })();
  const [lessons, log] = await Promise.all([helper.lessons(LESSONS), helper.log(LOG)]);
  waiting = false;
  await others;
  expect(lessons.json).toBe((await here.lessons(LESSONS)).json);
  expect(log).toBe(await here.log(LOG));
  expect(log.split('\n').length).toBeGreaterThan(10);
  expect(turns).toBeGreaterThan(100);
});

test('what is written after it was started is read', async () => {
  const rows = async () => (await helper.log(LOG)).split('\n').length;
  const before = await rows();
  await kitchen.database.sequelize.query(
    'DELETE FROM batch_finds WHERE batchId = (SELECT batchId FROM batch_finds WHERE facts IS NOT NULL LIMIT 1)',
  );
  expect(await rows()).toBe(before - 1);
});

test('what goes wrong there is told here, and it is started again when it was lost', async () => {
  const nowhere = openAsideHelper('/nowhere/kitchen.sqlite');
  await expect(nowhere.log(LOG)).rejects.toThrow('SQLITE_CANTOPEN');
  await nowhere.close();
  const asked = helper.lessons(LESSONS);
  await helper.close();
  await expect(asked).rejects.toThrow('ended');
  expect(await helper.log(LOG)).toContain('started');
});
