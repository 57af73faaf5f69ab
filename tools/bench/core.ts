import {
  DEFAULT_KITCHEN,
  type Need,
  type Plan,
  foldBatch,
  parseQuantity,
  planBatch,
} from '@kettle-scale/core';
import { demoFormulas } from '../../apps/server/src/demo/seedDemo';
import { openRandom } from '../../apps/server/src/demo/random';
import { simulateBatch } from '../../apps/server/src/demo/simulateBatch';
import type { Measured } from '../bench';

const RUNS = 2000;
const WARM_UP = 200;

/** Median time of one call in milliseconds, after the engine has compiled it. */
function medianMs(run: (index: number) => unknown): number {
  for (let i = 0; i < WARM_UP; i += 1) run(i);
  const times = Array.from({ length: RUNS }, (_, i) => {
    const start = performance.now();
    run(i);
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[RUNS / 2] ?? NaN;
}

const row = (what: string, ms: number, barMs: number): Measured => ({
  what,
  value: `${ms.toFixed(3)} ms`,
  bar: `${barMs} ms`,
  holds: ms <= barMs,
});

export function benchCore(): Measured[] {
  const formulas = demoFormulas();
  const planOf = (i: number): Plan => {
    const formula = formulas[i % formulas.length];
    if (!formula) throw new Error('no demo formulas');
    const need: Need = { by: 'pieces', pieces: 20 + (i % 100), ballG: formula.product.ballG };
    return planBatch({ formula, need, kitchen: DEFAULT_KITCHEN });
  };
  const plan = planOf(1);
  const cook = { weighingSdSteps: 0.5, overPour: 0, rejects: 0.02 };
  const events = simulateBatch(plan, 0, cook, openRandom(1), '');
  return [
    row('plan from formula and need', medianMs(planOf), 2),
    row(
      `fold of a batch of ${events.length} events`,
      medianMs(() => foldBatch(plan, events)),
      2,
    ),
    row(
      'one typed amount read',
      medianMs(() => parseQuantity('2 lb 3 oz')),
      1,
    ),
  ];
}
