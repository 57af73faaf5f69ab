import type { Formula } from '../formula/formulaSchema';
import { bakeSecondsOf } from '../formula/bakePhases';
import type { SheetLine, Step } from './planSchema';

/** Usual times of the trade, used only to say when a batch will be ready (assumptions, one cook). */
const WEIGH_S_PER_LINE = 20;
const DIVIDE_S_PER_BALL = 10;
export const FLATTEN_S: Record<Formula['method']['shaping']['how'], number> = {
  pin: 32,
  'hot-press': 8,
  'hand-stretch': 40,
  'sheet-thin': 45,
  'sheet-press': 12,
};
/** Pieces that cook side by side on an ordinary plate. */
export const PIECES_ON_PLATE = 4;
const FINISH_S = 60;
const COIN_S = 3;

const middle = (a: number, b: number): number => (a + b) / 2;

/**
 * The steps of a batch in order: weigh, mix and knead, once or in rounds, bowl by bowl; then the rests of the dough, dividing,
 * the rests of the balls, flattening, griddle, finish. Flattening overlaps the griddle, so it counts once.
 */
export function planSteps(
  formula: Formula,
  sheet: readonly SheetLine[],
  bowls: number,
  pieces: number,
): Step[] {
  const { method, bake } = formula;
  const steps: Step[] = [];
  // What goes in late is weighed last, beside the bowl.
  const inOrder = [...sheet].sort((a, b) => Number(a.late ?? false) - Number(b.late ?? false));
  for (let bowl = 1; bowl <= bowls; bowl += 1) {
    for (const { lineId } of inOrder) {
      steps.push({ id: `weigh-${bowl}-${lineId}`, kind: 'weigh', bowl, lineId, expectedS: WEIGH_S_PER_LINE });
    }
    steps.push({
      id: `mix-${bowl}`,
      kind: 'mix',
      bowl,
      expectedS: middle(method.mix.minS, method.mix.maxS) + (method.soak?.restS ?? 0),
    });
    steps.push({
      id: `knead-${bowl}`,
      kind: 'knead',
      bowl,
      expectedS: middle(method.knead.minS, method.knead.maxS),
    });
    method.knead.again?.forEach(({ pauseS, minS, maxS }, round) => {
      const of = { bowl, round };
      if (pauseS > 0)
        steps.push({ id: `pause-${bowl}-${round + 1}`, kind: 'pause', ...of, expectedS: pauseS });
      steps.push({
        id: `knead-${bowl}-again-${round + 1}`,
        kind: 'knead',
        ...of,
        expectedS: middle(minS, maxS),
      });
    });
  }
  const rests = method.rests.map((rest, index) => ({ ...rest, index }));
  const restSteps = (of: 'dough' | 'balls') =>
    rests
      .filter((rest) => rest.of === of)
      .map(({ index, earliestS }): Step => ({
        id: `rest-${index + 1}`,
        kind: 'rest',
        rest: index,
        expectedS: earliestS,
      }));

  const eachS = FLATTEN_S[method.shaping.how];
  const plateS = bakeSecondsOf(bake) / PIECES_ON_PLATE;
  // Laid out first, no disc is made while another bakes.
  const firstFlattenS = method.shaping.laidOut ? pieces * eachS : eachS;
  const griddleS = pieces * (method.shaping.laidOut ? plateS : Math.max(eachS, plateS));
  const coins: Step[] = method.shaping.coins
    ? [{ id: 'coins', kind: 'coins', expectedS: pieces * COIN_S }]
    : [];
  const ofBalls = restSteps('balls');
  steps.push(
    ...restSteps('dough'),
    { id: 'divide', kind: 'divide', expectedS: pieces * DIVIDE_S_PER_BALL },
    // Coins rest as coins: they are pressed before the last rest, or before rolling where none follows.
    ...ofBalls.slice(0, -1),
    ...coins,
    ...ofBalls.slice(-1),
    { id: 'flatten', kind: 'flatten', expectedS: firstFlattenS },
    { id: 'griddle', kind: 'griddle', expectedS: griddleS },
    { id: 'finish', kind: 'finish', expectedS: FINISH_S },
  );
  return steps;
}
