import { HAND_S } from '../../bake/plate/pace';
import { type LineBread, SHIFT_DEFAULTS, type Shift, type Skill } from '../shiftSchema';

/** Skills as bits, so that a look at a person is one operation. */
export const SKILL: Record<Skill, number> = { weigh: 1, load: 2, knead: 4, divide: 8, roll: 16, bake: 32 };

/**
 * How long a piece holds its place, s.
 * @param bread the bread
 */
export const onPlaceS = ({ sidesS }: Pick<LineBread, 'sidesS'>): number =>
  sidesS.reduce((sum, s) => sum + s, 0) + HAND_S;

/**
 * What one piece takes of a pair of hands at the plate, s.
 * @param bread the bread
 */
export const actsS = ({ sidesS }: Pick<LineBread, 'sidesS'>): number => HAND_S * (sidesS.length + 1);

/**
 * Dough of a batch, g.
 * @param bread the bread
 * @param n its balls
 */
export const doughG = ({ ballG, loss = SHIFT_DEFAULTS.loss }: LineBread, n: number): number =>
  (n * ballG) / (1 - loss);

/** A bowl takes a load that misses its border by rounding only, g. */
const ROUNDING_G = 1e-6;

/**
 * Whether a bowl takes a load.
 * @param mixer its smallest and largest load, g
 * @param massG dough, g
 */
export const takesLoad = ({ minG, maxG }: Shift['mixers'][number], massG: number): boolean =>
  massG <= maxG + ROUNDING_G && massG >= minG - ROUNDING_G;

/** A shift made ready for being run many times. */
export interface Line {
  shift: Shift;
  breads: readonly LineBread[];
  heats: readonly string[];
  /** By bread: its heat, the seconds on its place, the seconds of hands at the plate. */
  heatOf: readonly number[];
  placeS: readonly number[];
  actS: readonly number[];
  /** By bread: the plate it is baked on, or below zero for any. */
  plateOf: readonly number[];
  /** By person. */
  can: readonly number[];
  /** By plate, from a heat to another, s. */
  changeS: readonly (readonly (readonly number[])[])[];
  /** By bread: the seconds a guest waits, and the cost of a ball. */
  patienceS: readonly number[];
  ballCost: readonly number[];
  slotS: number;
}

/**
 * Makes a shift ready for being run.
 * @param shift a shift that was validated
 */
export function compileShift(shift: Shift): Line {
  const { breads, people, plates } = shift;
  const heats = [...new Set(breads.map(({ heat }) => heat))];
  return {
    ...{ shift, breads, heats },
    heatOf: breads.map(({ heat }) => heats.indexOf(heat)),
    placeS: breads.map(onPlaceS),
    actS: breads.map(actsS),
    plateOf: breads.map(({ plate }) => plates.findIndex(({ id }) => id === plate)),
    can: people.map(({ can }) => can.reduce((bits, skill) => bits | SKILL[skill], 0)),
    changeS: plates.map(({ changeS = {} }) =>
      heats.map((from) =>
        heats.map((to) => (from === to ? 0 : (changeS[`${from}>${to}`] ?? SHIFT_DEFAULTS.changeS))),
      ),
    ),
    patienceS: breads.map(({ patienceS }) => patienceS ?? shift.patienceS ?? SHIFT_DEFAULTS.patienceS),
    ballCost: breads.map(({ doughCost, co }) => doughCost ?? co * SHIFT_DEFAULTS.ballShare),
    slotS: shift.slotS ?? SHIFT_DEFAULTS.slotS,
  };
}

/**
 * The most and the fewest balls of a bread that a bowl of the line takes and its bench holds.
 * @param line the line
 * @param bread index of the bread
 */
export function loadOf({ shift, breads }: Line, bread: number): { least: number; most: number } {
  const { ballG, loss = SHIFT_DEFAULTS.loss } = breads[bread]!;
  const balls = (massG: number) => (massG * (1 - loss)) / ballG;
  return {
    least: Math.max(1, Math.ceil(balls(Math.min(...shift.mixers.map(({ minG }) => minG))))),
    most: Math.min(
      Math.floor(balls(Math.max(...shift.mixers.map(({ maxG }) => maxG)))),
      shift.benchBalls ?? Infinity,
    ),
  };
}
