import { formulaFacts, hydrationSpread } from '@kettle-scale/core/formula';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { type Need, type Plan, planBatch } from '@kettle-scale/core/plan';
import { parseQuantity } from '@kettle-scale/core/quantity';
import { foldBatch } from '@kettle-scale/core/batch';
import { listFormula, readList } from '@kettle-scale/core/writing';
import { demoFormulas, openRandom, simulateBatch } from '@kettle-scale/simulation';
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

/** Fifteen lines of every kind, as they come over the phone. */
const LIST = `2 3/4 cups flour, scooped
1 lb 4 oz bread flour
½ cup fine wholemeal, packed
350ml warm water
1 to 1 1/2 cups whole milk
2 heaped tbsp plain yogurt
½ stick butter, cold, cubed
1/3 cup melted lard
1½ tsp table salt
pinch of sugar
2 tsp baking powder
1 packet instant yeast
2 large eggs
3 cloves garlic, minced
1 tbsp sesame seeds`;

/** What the screen does on every letter: read, work out the spread, make the formula and its facts. */
function readAndRecompute(index: number): void {
  const list = readList(`${LIST}\n${index} g honey`, { foods: CATALOGUE });
  hydrationSpread(
    list.lines.flatMap(({ food, mass, index: id }) => (mass ? [{ id: String(id), food, mass }] : [])),
  );
  formulaFacts(listFormula(list), CATALOGUE);
}

const row = (what: string, ms: number, barMs: number): Measured => ({
  what,
  value: `${ms.toFixed(3)} ms`,
  bar: `${barMs} ms`,
  holds: ms <= barMs,
});

export function run(): Measured[] {
  const formulas = demoFormulas();
  const planOf = (i: number): Plan => {
    const formula = formulas[i % formulas.length];
    if (!formula) throw new Error('no demo formulas');
    const need: Need = { by: 'pieces', pieces: 20 + (i % 100), ballG: formula.product.ballG };
    return planBatch({ formula, need, kitchen: DEFAULT_KITCHEN });
  };
  const todayOf = (i: number): Plan => {
    const { formula, need } = planOf(i);
    return planBatch({
      formula,
      need,
      kitchen: DEFAULT_KITCHEN,
      conditions: { ...ORDINARY_DAY, doughC: 27 },
    });
  };
  const plan = planOf(1);
  const cook = { weighingSdSteps: 0.5, overPour: 0, rejects: 0.02 };
  const events = simulateBatch(plan, 0, cook, openRandom(1), '');
  return [
    row('plan from formula and need', medianMs(planOf), 2),
    row('plan for the day', medianMs(todayOf), 2),
    row(
      `fold of a batch of ${events.length} events`,
      medianMs(() => foldBatch(plan, events)),
      2,
    ),
    row('list of 15 lines read and recomputed', medianMs(readAndRecompute), 5),
    row(
      'one typed amount read',
      medianMs(() => parseQuantity('2 lb 3 oz')),
      1,
    ),
  ];
}
