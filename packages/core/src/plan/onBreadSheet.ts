import type { ResolvedOnBread } from '../formula/onBread';
import type { Kitchen } from '../kitchen/kitchenSchema';
import type { OnBreadLine } from './planSchema';
import { scaleFor } from './weighSheet';

/** A hair of rounding in a product of decimals is not another step of the scale. */
const HAIR = 1e-9;

/**
 * What must be at hand to go on the bread, for all pieces of a batch; rounded up, because the last piece is buttered too.
 * @param flourG flour of the whole batch, g
 */
export const onBreadSheet = (
  onBread: readonly ResolvedOnBread[],
  pieces: number,
  flourG: number,
  kitchen: Kitchen,
): OnBreadLine[] =>
  onBread.map(({ id, ingredient, food, gPerPiece, when, note, assumed, share = 1 }) => {
    const gets = Math.round(share * pieces);
    const exactG = gPerPiece * gets;
    const { scale, stepG } = scaleFor({ food }, exactG, kitchen);
    return {
      lineId: id,
      ingredient,
      name: food.name,
      kind: food.kind,
      when,
      gPerPiece,
      assumed,
      ...(note ? { note } : {}),
      ...(share < 1 ? { pieces: gets } : {}),
      massG: Number((Math.ceil(exactG / stepG - HAIR) * stepG).toFixed(3)),
      scale,
      stepG,
      fraction: exactG / flourG,
    };
  });
