import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

const zone = (what: string, where: string, code: string) =>
  [what, where, code, 'import-x/no-restricted-paths'] as const;

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
  zone('a room of core using a later one', 'packages/core/src/quantity/x.ts', `import '../plan/planBatch';`),
  zone(
    'the model of the bake using the solver',
    'packages/core/src/bake/model/x.ts',
    `import '../solve/solve';`,
  ),
  zone(
    'core using what is made up',
    'packages/core/src/plan/x.ts',
    `import '../../../simulation/src/random';`,
  ),
  zone('a feature importing another', 'apps/kitchen/src/features/log/x.ts', `import '../plan/planForm';`),
  zone(
    'what features share importing one',
    'apps/kitchen/src/shared/x.ts',
    `import '../features/plan/planForm';`,
  ),
  zone('ui importing what keeps', 'apps/kitchen/src/ui/x.ts', `import '../api/api';`),
  zone('ui importing the domain', 'apps/kitchen/src/ui/x.ts', `import '@kettle-scale/core/plan';`),
  zone('what keeps importing what shows it', 'apps/kitchen/src/batch/x.ts', `import '../ui/tokens';`),
  zone('a worker asking the server', 'apps/kitchen/src/workers/x.ts', `import '../api/api';`),
  zone('asking the server after the news', 'apps/kitchen/src/api/x.ts', `import '../live/news';`),
  zone(
    'a bundle of screens with parts of its own',
    'apps/kitchen/src/screens/x.ts',
    `import '../ui/tokens';`,
  ),
  zone('a feature knowing its bundle', 'apps/kitchen/src/features/log/x.ts', `import '../../screens/rest';`),
  zone('a route that does more than mount', 'apps/kitchen/app/x.ts', `import '../src/api/api';`),
  zone('the server importing the app', 'apps/server/src/x.ts', `import '../../kitchen/src/ui/tokens';`),
  zone(
    'what is made up knowing the server',
    'packages/simulation/src/x.ts',
    `import '../../../apps/server/src/app';`,
  ),
  [
    'the server using what is made up',
    'apps/server/src/x.ts',
    `import '@kettle-scale/simulation';`,
    'no-restricted-imports',
  ],
] as const;

/** ESLint runs in a process of its own, because its configuration is an ES module. */
const broken = (): string[][] => {
  const input = JSON.stringify(CASES.map(([, path, code]) => ({ path, code })));
  const run = spawnSync('node', ['tools/lint/cases.mjs'], {
    cwd: join(__dirname, '../..'),
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
