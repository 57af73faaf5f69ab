import { existsSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Outcome, keptOr, sourcesKey } from './kept';

const place = () => join(mkdtempSync(join(tmpdir(), 'kettle-kept-')), 'cache', 'part');
const green: Outcome = { passed: 3, failed: 0, output: 'all three' };

/** A part that counts how often it was run. */
function counted(outcome: Outcome) {
  const runs = { count: 0 };
  const work = () => {
    runs.count += 1;
    return Promise.resolve(outcome);
  };
  return { runs, work };
}

test('a green result stands until its sources change', async () => {
  const path = place();
  const { runs, work } = counted(green);
  expect(await keptOr(path, 'monday', work)).toEqual(green);
  expect(await keptOr(path, 'monday', work)).toMatchObject({ passed: 3, failed: 0, kept: true });
  expect(runs.count).toBe(1);
  await keptOr(path, 'tuesday', work);
  expect(runs.count).toBe(2);
});

test.each([
  ['a failure', { passed: 2, failed: 1, output: '' }],
  ['a runner that found no test', { passed: 0, failed: 0, output: '' }],
])('%s is not kept, and takes away what was', async (_, outcome) => {
  const path = place();
  await keptOr(path, 'monday', counted(green).work);
  const { runs, work } = counted(outcome);
  await keptOr(path, 'tuesday', work);
  await keptOr(path, 'tuesday', work);
  expect(runs.count).toBe(2);
  expect(existsSync(path)).toBe(false);
});

test('what was cut short while it was written is worked out again', async () => {
  const path = place();
  await keptOr(path, 'monday', counted(green).work);
  writeFileSync(path, readFileSync(path, 'utf8').slice(0, -1));
  const { runs, work } = counted(green);
  await keptOr(path, 'monday', work);
  expect(runs.count).toBe(1);
});

test('the key changes with a file, with one in a folder, and from one day to the next', () => {
  const folder = mkdtempSync(join(tmpdir(), 'kettle-kept-'));
  const [file, inside] = [join(folder, 'lock.json'), join(folder, 'src')];
  mkdirSync(inside);
  writeFileSync(file, '1');
  writeFileSync(join(inside, 'a.ts'), '1');
  const [monday, tuesday] = [new Date(2026, 5, 1, 9), new Date(2026, 5, 2, 9)];
  const key = (now: Date) => sourcesKey([file, inside], now);
  const before = key(monday);
  expect(key(new Date(2026, 5, 1, 17))).toBe(before);
  expect(key(tuesday)).not.toBe(before);
  writeFileSync(file, '2');
  const changed = key(monday);
  writeFileSync(join(inside, 'a.ts'), '2');
  expect(new Set([before, changed, key(monday)]).size).toBe(3);
});
