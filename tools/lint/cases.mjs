// @ts-check
// Reads cases [{ path, code }] from standard input, lints each as if it stood at its path, prints the rules broken.
import { readFileSync } from 'node:fs';
import { ESLint } from 'eslint';

const eslint = new ESLint();
/** @type {{ path: string, code: string }[]} */
const cases = JSON.parse(readFileSync(0, 'utf8'));
const results = [];
for (const { path, code } of cases) {
  const [file] = await eslint.lintText(code, { filePath: path });
  results.push(file?.messages.map(({ ruleId }) => ruleId) ?? []);
}
process.stdout.write(JSON.stringify(results));
