// @ts-check
// A Jest transform that bundles a test with what it tests. The model of the bake calls small functions millions of times,
// and Jest's registry puts a getter before each of them; in one file they are plain calls, several times as fast.
const { createHash } = require('node:crypto');
const { readFileSync, readdirSync } = require('node:fs');
const { join } = require('node:path');
const { buildSync } = require('esbuild');

const PACKAGES = join(__dirname, '../../packages');

/** What is no source: installed, built, or kept by a tool. */
const MADE = /^(?:node_modules|dist|\.)/;

/** @param {string} folder @returns {string[]} */
const sourcesBelow = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (MADE.test(entry.name)) return [];
    const path = join(folder, entry.name);
    return entry.isDirectory() ? sourcesBelow(path) : [path];
  });

/** Whatever a test may bundle: a change to any of it makes every bundle new. */
const hash = createHash('sha256').update(readFileSync(__filename));
for (const file of sourcesBelow(PACKAGES)) hash.update(file).update(readFileSync(file));
const SOURCES = hash.digest('hex');

module.exports = {
  /** @param {string} _source @param {string} path */
  getCacheKey: (_source, path) => createHash('sha256').update(SOURCES).update(path).digest('hex'),

  /** @param {string} _source @param {string} path */
  process(_source, path) {
    const { outputFiles } = buildSync({
      ...{ entryPoints: [path], bundle: true, write: false, outfile: `${path}.js`, sourcemap: 'inline' },
      ...{ format: 'cjs', platform: 'node', target: 'es2022', mainFields: ['module', 'main'] },
      // Looking up a global in Jest's sandbox is slow; these are asked for in every step of a bake and of a shift.
      banner: { js: 'const { Math, Float64Array, Int32Array, Number, Infinity } = globalThis;' },
    });
    return { code: outputFiles[0]?.text ?? '' };
  },
};
