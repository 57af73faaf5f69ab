import { type Words, message } from '../message/message';
import type { Formula } from './formulaSchema';
import type { ProductStandard } from './methodSchema';

const FOLD: Record<NonNullable<ProductStandard['fold']>, string> = {
  'rolls up tight': 'rolls up without a crack',
  'folds in half': 'folds without a crack',
  'folds in quarters': 'folds in quarters without a crack',
  'stays crisp': 'crisp all over',
};

const COLOUR: Record<NonNullable<ProductStandard['spots']>, string> = {
  'pale and soft': 'pale all over',
  pale: 'pale, hardly a freckle',
  'light freckles': 'light freckles, no black',
  freckles: 'freckles, no black',
  'deep freckles': 'brown blisters, a few of them black',
};
/** Less than this share of a face is no black to the eye. */
const NO_BLACK = 0.01;
/** A flame leaves specks that are sold with it. */
const FLAMED = 'freckles, a few black specks';

function colourWords({ product, bake }: Pick<Formula, 'product' | 'bake'>): Words {
  const { spots = 'freckles', black } = product;
  if (black === undefined) {
    return bake.finish?.kind === 'flame' && spots !== 'deep freckles' ? FLAMED : COLOUR[spots];
  }
  return black > NO_BLACK
    ? message('{spots}, up to {black} of a face black', { spots, black: { share: black } })
    : message('{spots}, no black', { spots });
}

/**
 * What a good piece of a formula is, in one sentence; the common standard where the product says nothing.
 * @param formula its product and its finish
 */
export const goodWords = (formula: Pick<Formula, 'product' | 'bake'>): Words =>
  message('Good: {fold}, right size, {colour}.', {
    fold: FOLD[formula.product.fold ?? 'folds in half'],
    colour: colourWords(formula),
  });
