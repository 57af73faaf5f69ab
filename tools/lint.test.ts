import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

/** What the import rules must refuse: [what, where, code, rule]. */
const CASES = [
  ['core importing React', 'packages/core/src/x.ts', `import 'react';`, 'no-restricted-imports'],
  ['core importing Express', 'packages/core/src/x.ts', `import 'express';`, 'no-restricted-imports'],
  ['core importing Node', 'packages/core/src/x.ts', `import 'node:fs';`, 'no-restricted-imports'],
  [
    'core reading the clock',
    'packages/core/src/x.ts',
    `export const t = Date.now();`,
    'no-restricted-properties',
  ],
  [
    'a feature importing another',
    'apps/kitchen/src/features/log/x.ts',
    `import '../plan/planForm';`,
    'import-x/no-restricted-paths',
  ],
  [
    'what features share importing one',
    'apps/kitchen/src/shared/x.ts',
    `import '../features/plan/planForm';`,
    'import-x/no-restricted-paths',
  ],
  ['ui importing data', 'apps/kitchen/src/ui/x.ts', `import '../data/api';`, 'import-x/no-restricted-paths'],
  [
    'the server importing the app',
    'apps/server/src/x.ts',
    `import '../../kitchen/src/ui/tokens';`,
    'import-x/no-restricted-paths',
  ],
] as const;

/** ESLint runs in a process of its own, because its configuration is an ES module. */
const broken = (): string[][] => {
  const input = JSON.stringify(CASES.map(([, path, code]) => ({ path, code })));
  const run = spawnSync('node', ['tools/lintCases.mjs'], {
    cwd: join(__dirname, '..'),
    input,
    encoding: 'utf8',
  });
  return JSON.parse(run.stdout) as string[][];
};

test('the linter refuses imports against the direction', () => {
  const rules = broken();
  const missed = CASES.filter(([, , , rule], index) => !rules[index]?.includes(rule)).map(([what]) => what);
  expect(missed).toEqual([]);
}, 60_000);
