import { FITTED, type Fitted } from '../../kitchen/fittedNames';
import type { LoggedPiece } from './loggedPieceSchema';
import type { BakeOutcome } from '../model/outcome';

export interface FittedParameter {
  what: Fitted;
  /** Times the default. */
  factor: number;
  /** 90 in 100 true values are between these. */
  low: number;
  high: number;
}

/** No parameter moves by more than this many prior sd. */
export const MOST_SD = 2;
const Z90 = 1.645;
/** Spread of ln puff index between pieces that puff and pieces that do not. */
const PUFF_BLUR = 0.35;
const PUFF_STEPS = 81;

/** A parameter from its logarithm and the sd of that. */
export const intervalOf = (ln: number, sd: number) => ({
  factor: Math.exp(ln),
  low: Math.exp(ln - Z90 * sd),
  high: Math.exp(ln + Z90 * sd),
});

/** Permeability to steam from which pieces puffed: a grid over its logarithm, with its prior. */
export function fitPuff(
  pieces: readonly LoggedPiece[],
  outcomes: readonly BakeOutcome[],
): FittedParameter | null {
  const told = pieces.flatMap(({ puffed }, i) => {
    const index = outcomes[i]!.puffIndex;
    return puffed === undefined || index <= 0 ? [] : [{ puffed, level: Math.log(index) }];
  });
  if (told.length === 0) return null;
  const { priorSd } = FITTED.puff;
  const grid = Array.from(
    { length: PUFF_STEPS },
    (_, i) => MOST_SD * priorSd * ((2 * i) / (PUFF_STEPS - 1) - 1),
  );
  const logs = grid.map((ln) =>
    told.reduce(
      (sum, { puffed, level }) => {
        const odds = (level - ln) / PUFF_BLUR;
        return sum - Math.log1p(Math.exp(puffed ? -odds : odds));
      },
      -0.5 * (ln / priorSd) ** 2,
    ),
  );
  const peak = Math.max(...logs);
  const weights = logs.map((log) => Math.exp(log - peak));
  const total = weights.reduce((sum, w) => sum + w, 0);
  const mean = grid.reduce((sum, ln, i) => sum + (ln * weights[i]!) / total, 0);
  const sd = Math.sqrt(grid.reduce((sum, ln, i) => sum + ((ln - mean) ** 2 * weights[i]!) / total, 0));
  return { what: 'puff', ...intervalOf(mean, sd) };
}
