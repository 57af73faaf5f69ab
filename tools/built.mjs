// What is built here, from what, and whether it is of the sources as they are now. Plain JavaScript, as in files.mjs.
// @ts-check
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { filesBelow, hashOf } from './files.mjs';
import { ROOT } from './install.mjs';

/** @param {string} path */
const from = (path) => join(ROOT, path);
export const WEB_DIR = from('apps/kitchen/dist');
export const SERVER_DIR = from('apps/server/dist');
/** The server, ready to run. */
export const SERVER = join(SERVER_DIR, 'main.mjs');

const CORE = 'packages/core/src';
/**
 * The folders and files that each is made from.
 * @satisfies {Record<string, { stamp: string, folders: string[], files: string[] }>}
 */
const MADE = {
  app: {
    stamp: join(WEB_DIR, '.stamp'),
    folders: ['apps/kitchen', CORE],
    files: ['package-lock.json', 'tools/webBuild.ts'],
  },
  words: { stamp: join(WEB_DIR, '.words'), folders: ['languages'], files: [] },
  server: {
    stamp: join(SERVER_DIR, '.stamp'),
    folders: ['apps/server', CORE, 'packages/simulation/src'],
    files: ['package-lock.json', 'tools/serverBuild.ts'],
  },
};
/** @typedef {keyof typeof MADE} Made */

const TEST = /\.test\.tsx?$|\/test\//;

/** @param {Made} made */
function sourcesOf(made) {
  const { folders, files } = MADE[made];
  const sources = folders.flatMap((folder) => filesBelow(from(folder)));
  const tested = sources.filter((file) => !TEST.test(relative(ROOT, file)));
  return hashOf([...tested, ...files.map(from)], ROOT);
}

/**
 * What is built, held against the sources as they are when this is asked.
 * @param {Made} made
 */
export function builtOf(made) {
  const { stamp } = MADE[made];
  const sources = sourcesOf(made);
  return {
    /** Whether it was built from them. */
    holds: existsSync(stamp) && readFileSync(stamp, 'utf8') === sources,
    /** Remembers that it was. */
    stamp: () => writeFileSync(stamp, sources),
  };
}

/** Whether nothing is to be built before a start. */
export const isAllBuilt = () => builtOf('app').holds && builtOf('words').holds && builtOf('server').holds;
