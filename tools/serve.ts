import { isAbsolute, join } from 'node:path';
import { ROOT } from './install.mjs';
import { WEB_DIR, ensureWebBuild } from './webBuild';

// The server reads its own options; here only what depends on where the command was given is added.
const given = process.argv.slice(2);
const dataAt = given.indexOf('--data');
const folder = dataAt >= 0 ? given[dataAt + 1] : undefined;
if (folder && !isAbsolute(folder)) given[dataAt + 1] = join(process.env.INIT_CWD ?? process.cwd(), folder);
const defaults = folder ? [] : ['--data', join(ROOT, '.data', given.includes('--demo') ? 'demo' : 'kitchen')];

await ensureWebBuild();
process.argv.splice(2, process.argv.length - 2, ...given, ...defaults, '--web', WEB_DIR);
await import('../apps/server/src/main');
