// Starts the product: node tools/serve.mjs [--demo] [--port 4310] [--data FOLDER] …
// Plain JavaScript: a kitchen that starts again after a power cut waits for no TypeScript to be read.
// @ts-check
import { spawnSync } from 'node:child_process';
import { isAbsolute, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { SERVER, WEB_DIR, isAllBuilt } from './built.mjs';
import { ROOT, ensureInstalled } from './install.mjs';

ensureInstalled();
if (!isAllBuilt()) {
  const { status } = spawnSync(process.execPath, [join(ROOT, 'tools/run.mjs'), 'build'], {
    stdio: ['ignore', process.stderr, process.stderr],
  });
  if (status !== 0) process.exit(status ?? 1);
}

// The server reads its own options; here only what depends on where the command was given is added.
const given = process.argv.slice(2);
const dataAt = given.indexOf('--data');
const folder = dataAt >= 0 ? given[dataAt + 1] : undefined;
if (folder && !isAbsolute(folder)) given[dataAt + 1] = join(process.env.INIT_CWD ?? process.cwd(), folder);
const defaults = folder ? [] : ['--data', join(ROOT, '.data', given.includes('--demo') ? 'demo' : 'kitchen')];
process.argv.splice(2, process.argv.length - 2, ...given, ...defaults, '--web', WEB_DIR);
await import(pathToFileURL(SERVER).href);
