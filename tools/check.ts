// Fast feedback: types, lint, and the unit tests of what changed since the last commit; `--all` runs all of them.
import { close, lint, types, unit } from './steps';

const all = process.argv.includes('--all');
const [units, others] = await Promise.all([
  unit(all ? [] : ['--onlyChanged']),
  (async () => [await types(), await lint()])(),
]);
close([...others, units]);
