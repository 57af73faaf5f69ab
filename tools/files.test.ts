import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { filesBelow, hashOf } from './files.mjs';

function tree(): string {
  const folder = mkdtempSync(join(tmpdir(), 'kettle-files-'));
  for (const path of ['b.ts', 'a/c.ts', 'node_modules/x.js', 'dist/y.js']) {
    mkdirSync(join(folder, path, '..'), { recursive: true });
    writeFileSync(join(folder, path), path);
  }
  return folder;
}

test('finds the sources, not what is built or installed, always in one order', () => {
  const folder = tree();
  expect(filesBelow(folder).map((file) => relative(folder, file))).toEqual(['a/c.ts', 'b.ts']);
});

test('the hash changes with a content and with a name, and with nothing else', () => {
  const folder = tree();
  const before = hashOf(filesBelow(folder), folder);
  writeFileSync(join(folder, 'dist/y.js'), 'other');
  expect(hashOf(filesBelow(folder), folder)).toBe(before);
  writeFileSync(join(folder, 'b.ts'), 'other');
  const changed = hashOf(filesBelow(folder), folder);
  expect(changed).not.toBe(before);
  writeFileSync(join(folder, 'd.ts'), '');
  expect(hashOf(filesBelow(folder), folder)).not.toBe(changed);
});

test('a tree that was moved has the same hash', () => {
  const [here, there] = [tree(), tree()];
  expect(hashOf(filesBelow(there), there)).toBe(hashOf(filesBelow(here), here));
});
