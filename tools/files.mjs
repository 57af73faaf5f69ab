// Plain JavaScript, because a start asks for it before any TypeScript is read.
// @ts-check
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';

const SKIPPED = new Set(['node_modules', 'dist', '.expo', '.cache', '.data', '.git']);

/**
 * All files below a folder, in a stable order, without what is built or installed.
 * @param {string} folder
 * @returns {string[]}
 */
export function filesBelow(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .sort((a, b) => a.name.localeCompare(b.name))
    .flatMap((entry) => {
      if (SKIPPED.has(entry.name)) return [];
      const path = join(folder, entry.name);
      return entry.isDirectory() ? filesBelow(path) : [path];
    });
}

/**
 * One hash over the contents of files and their names below a folder, wherever that lies: what was built stays built when the
 * program is moved.
 * @param {readonly string[]} files
 * @param {string} folder
 */
export function hashOf(files, folder) {
  const hash = createHash('sha256');
  for (const file of files) hash.update(relative(folder, file)).update(readFileSync(file));
  return hash.digest('hex');
}
