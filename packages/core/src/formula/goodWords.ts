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

/**
 * What a good piece of a formula is, in one sentence; the common standard where the product says nothing.
 * @param formula its product and its finish
 */
export function goodWords({ product, bake }: Pick<Formula, 'product' | 'bake'>): Words {
  const { fold, spots, black } = product;
  const byFlame = bake.finish?.kind === 'flame' && spots !== 'deep freckles';
  return message('Good: {fold}, right size, {colour}.', {
    fold: FOLD[fold ?? 'folds in half'],
    colour:
      black === undefined
        ? byFlame
          ? FLAMED
          : COLOUR[spots ?? 'freckles']
        : black > NO_BLACK
          ? message('{spots}, up to {black} of a face black', {
              spots: spots ?? 'freckles',
              black: { share: black },
            })
          : message('{spots}, no black', { spots: spots ?? 'freckles' }),
  });
}
