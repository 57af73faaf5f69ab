import { type Words, message } from '../message/message';
import type { ResolvedLine } from '../formula/formulaSchema';
import { ballMassG } from '../portion/disc';
import { wholePieces } from '../portion/wholePieces';
import { InputError } from '../message/problem';
import { type Kitchen } from '../kitchen/kitchenSchema';
import { keptShare } from '../kitchen/kitchenDefaults';
import type { Need } from './planRequestSchema';
import type { Ceiling } from './weighSheet';

/** What a need comes to before anything is rounded. */
export interface Amounts {
  pieces: number;
  ballG: number;
  doughG: number;
  /** What the batch must not exceed, besides the bowl. */
  limits: Ceiling[];
  /** Name of the ingredient that decides, where the stock does. */
  scarcest?: string;
}

/** Dough to mix for a number of balls: N · m / ((1 − ℓ_bowl)(1 − ℓ_bench)), in grams. */
export const doughForPiecesG = (pieces: number, ballG: number, kitchen: Kitchen): number =>
  (pieces * ballG) / keptShare(kitchen);

/** What the needs are worked out with. */
interface Setting {
  lines: readonly ResolvedLine[];
  doughPerFlour: number;
  densityGMl: number;
  kitchen: Kitchen;
  /** Pieces on top of those that are asked for by number. */
  trials: number;
}

type NeedOf<B extends Need['by']> = Extract<Need, { by: B }>;

/** Whole pieces of a dough; the sentence names the field when there is not one. */
function piecesOf(doughG: number, ballG: number, { kitchen }: Setting, field: string, lead: Words): number {
  const pieces = wholePieces(doughG * keptShare(kitchen), ballG);
  if (pieces < 1) {
    throw InputError.at(
      `need.${field}`,
      message('{lead}{dough} of dough, less than one ball of {ball}.', {
        lead,
        dough: { g: doughG },
        ball: { g: ballG },
      }),
    );
  }
  return pieces;
}

function fromStock({ atHand, ballG }: NeedOf<'stock'>, setting: Setting): Amounts {
  const { lines, doughPerFlour } = setting;
  const shares = atHand.map(({ ingredient, massG }) => {
    const used = lines.filter(({ food }) => food.id === ingredient);
    const fraction = used.reduce((sum, line) => sum + line.fraction, 0);
    const flourG = fraction > 0 ? massG / fraction : Infinity;
    return { ingredient, massG, flourG, name: used[0]?.food.name ?? ingredient };
  });
  const scarcest = shares.reduce((a, b) => (b.flourG < a.flourG ? b : a));
  if (!Number.isFinite(scarcest.flourG)) {
    throw InputError.at('need.atHand', 'None of these ingredients is in the formula.');
  }
  const doughG = scarcest.flourG * doughPerFlour;
  return {
    pieces: piecesOf(
      doughG,
      ballG,
      setting,
      'atHand',
      message('{mass} of {name} is enough for ', {
        mass: { g: scarcest.massG },
        name: { lower: scarcest.name },
      }),
    ),
    ballG,
    doughG,
    scarcest: scarcest.name,
    limits: shares.map(({ ingredient, massG }) => ({
      covers: (line) => line.food.id === ingredient,
      maxG: massG,
    })),
  };
}

/** So many pieces of a ball, and the trials on top. */
function ofPieces(asked: number, ballG: number, { kitchen, trials }: Setting): Amounts {
  const pieces = asked + trials;
  return { pieces, ballG, doughG: doughForPiecesG(pieces, ballG, kitchen), limits: [] };
}

const AMOUNTS: { [B in Need['by']]: (need: NeedOf<B>, setting: Setting) => Amounts } = {
  pieces: ({ pieces, ballG }, setting) => ofPieces(pieces, ballG, setting),
  discs: ({ pieces, diameterMm, thicknessMm }, setting) =>
    ofPieces(pieces, ballMassG(diameterMm, thicknessMm, setting.densityGMl), setting),
  'flour-each': ({ pieces, flourEachG }, setting) =>
    ofPieces(pieces, flourEachG * setting.doughPerFlour * keptShare(setting.kitchen), setting),
  dough: ({ doughG, ballG }, setting) => ({
    pieces: piecesOf(doughG, ballG, setting, 'doughG', 'This is '),
    ballG,
    doughG,
    limits: [],
  }),
  flour: ({ flourG, ballG }, setting) => {
    const doughG = flourG * setting.doughPerFlour;
    return {
      pieces: piecesOf(
        doughG,
        ballG,
        setting,
        'flourG',
        message('{flour} of flour makes ', { flour: { g: flourG } }),
      ),
      ballG,
      doughG,
      limits: [{ covers: (line) => line.food.kind === 'flour', maxG: flourG }],
    };
  },
  stock: fromStock,
  bowl: ({ bowls, ballG }, setting) => {
    const doughG = bowls * setting.kitchen.bowlCapacityG;
    return {
      pieces: piecesOf(doughG, ballG, setting, 'bowls', 'The bowl holds '),
      ballG,
      doughG,
      limits: [],
    };
  },
};

/**
 * Pieces, ball and dough of a need.
 * @throws InputError naming the field of the need when it gives not one piece
 */
export function amountsFor<B extends Need['by']>(need: NeedOf<B>, setting: Setting): Amounts {
  return AMOUNTS[need.by as B](need, setting);
}
