// @ts-check
// Runs one of the project's own programs (TypeScript beside this file) after making sure the packages are in:
//   node tools/run.mjs serve --demo
import { ensureInstalled } from './install.mjs';

ensureInstalled();
const { register } = await import('tsx/esm/api');
register();
const [, , name, ...rest] = process.argv;
process.argv.splice(2, process.argv.length - 2, ...rest);
try {
  await import(`./${name}.ts`);
} catch (error) {
  // A stack of calls tells a person nothing; who looks for the fault asks for it.
  if (process.env.KETTLE_TRACE || !(error instanceof Error)) throw error;
  process.stderr.write(`${name}: ${error.message}\nKETTLE_TRACE=1 shows where.\n`);
  process.exit(1);
}
