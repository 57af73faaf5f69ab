import { type KindOfBread, USUAL_WORK } from './kindsOfBread';
import type { Formula } from './formulaSchema';

type Work = Pick<Formula, 'method' | 'bake' | 'product'>;

/**
 * A formula worked, baked and judged as its kind of bread usually is; its size, its words and what is done for its plate stay.
 * @param work method, bake and product as they are
 * @param kind kind of bread
 */
export function workedAsUsual({ method, bake, product }: Work, kind: KindOfBread): Work {
  const usual = USUAL_WORK[kind];
  const { ballG, ballToleranceG, diameterToleranceMm, thicknessToleranceMm, look } = product;
  return {
    method: { ...usual.method, saltIn: method.saltIn, hold: method.hold, holdIn: method.holdIn },
    bake: { ...usual.bake, care: bake.care },
    product: {
      ...usual.product,
      ballG,
      ballToleranceG,
      diameterToleranceMm,
      thicknessToleranceMm,
      look,
    },
  };
}
