// @ts-check
// Runs one of the project's own programs (TypeScript beside this file) after making sure the packages are in:
//   node tools/run.mjs serve --demo
import { ensureInstalled } from './install.mjs';

ensureInstalled();
const { register } = await import('tsx/esm/api');
register();
const [, , name, ...rest] = process.argv;
process.argv.splice(2, process.argv.length - 2, ...rest);
await import(`./${name}.ts`);
