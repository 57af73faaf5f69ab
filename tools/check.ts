// Fast feedback: types, lint, and the unit tests of what changed since the last commit; `--all` runs all of them.
import { close, lint, sum, types, unit } from './steps';

const all = process.argv.includes('--all');
close(sum([types(), lint(), unit(all ? [] : ['--onlyChanged'])]));
