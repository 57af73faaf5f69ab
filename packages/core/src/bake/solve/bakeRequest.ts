import type { BakeProgram } from '../../formula/methodSchema';
import { type BakeOptions, bake } from '../model/bake';
import type { BakeSetup } from '../model/baking';
import type { BakeOutcome } from '../model/outcome';
import type { BakeStandard, Over, Short } from './standard';
import { turnsIron } from '../../formula/bakePhases';
import { type Stage, stagesOf } from '../model/stages';

/** A bake that is looked for: everything but its times. */
export interface BakeRequest {
  setup: Omit<BakeSetup, 'stages'>;
  program: BakeProgram;
  standard: BakeStandard;
  /** What the program's seconds were written for; left out where nobody wrote them. */
  written?: Pick<BakeSetup, 'plateC' | 'thicknessMm' | 'doughC'>;
}

/** Why no good bread exists: what cannot be reached before what. */
export type Trouble = 'dries first' | 'burns first' | 'middle stays raw' | 'never browns' | 'never puffs';

export interface Solution {
  good: boolean;
  trouble: Trouble | null;
  /** Seconds of each side, inside its range. */
  seconds: number[];
  /**
   * Earliest and latest of each side: of the first on its own, of the second after the advised first; of all sides in
   * proportion, for three and more.
   */
  least: number[];
  most: number[];
  /** Whether these are the seconds that the formula says, or in their split at another heat or thickness. */
  keepsSplit?: boolean;
  /** What sets the first side, the earliest and the latest end. */
  firstLimit: 'colour' | 'bubbles' | 'char' | 'program';
  leastLimit: Short;
  mostLimit: Over;
  /** Of the first side alone: when its colour is there, when bubbles show. */
  colouredS: number | null;
  bubblesS: number | null;
  /**
   * Room left to the nearest limit, dry or burnt, at the moment the bread is done, in units of what counts as far from it:
   * above 0 it is good, below 0 it is past. Null where it is never done; left out where it was not asked for.
   */
  room?: number | null;
}

export const LONGEST_S = 300;
/** A side is at least this long: nobody turns a bread faster. */
export const SHORTEST_SIDE_S = 5;
/** Of the way from the earliest to the latest end, the advised one is here: what most pieces bear. */
export const INTO_RANGE = 0.5;

/**
 * The same question on a plate of another heat.
 * @param request the bread on its plate
 * @param plateC plate, °C
 * @returns a new request
 */
export const atHeat = (request: BakeRequest, plateC: number): BakeRequest => ({
  ...request,
  setup: { ...request.setup, plateC, startC: { under: plateC, rest: plateC } },
});

/** The same question on the plate, and for the disc, that the program's seconds were written for. */
export const asWritten = (
  request: BakeRequest,
  { plateC, ...disc }: NonNullable<BakeRequest['written']>,
): BakeRequest => atHeat({ ...request, setup: { ...request.setup, ...disc } }, plateC);

/**
 * The seconds that a program says: of its sides, and of the fire where the iron is turned over it with the bread.
 * @param program turns and finish
 * @returns s by stage
 */
export const secondsOf = (program: BakeProgram): number[] => [
  ...program.sides.map(({ seconds }) => seconds),
  ...(turnsIron(program) && program.finish ? [program.finish.seconds] : []),
];

/**
 * A bread that is turned once: its two faces are solved one after the other.
 * @param program turns and finish
 */
export const turnsOnce = (program: BakeProgram): boolean =>
  secondsOf(program).length === 2 && (!program.finish || turnsIron(program));

/** A program with other seconds for its sides, and for a fire that is solved with them. */
export function programWith(program: BakeProgram, seconds: readonly number[]): BakeProgram {
  const { sides, finish } = program;
  const fireS = turnsIron(program) ? seconds[sides.length] : undefined;
  return {
    ...program,
    sides: sides.map((side, index) => ({ ...side, seconds: seconds[index] ?? side.seconds })),
    ...(finish && fireS !== undefined ? { finish: { ...finish, seconds: fireS } } : {}),
  };
}

/**
 * Its stages.
 * @param program turns and finish
 * @param seconds s by stage
 */
export const stagesWith = (program: BakeProgram, seconds: readonly number[]): Stage[] =>
  stagesOf(programWith(program, seconds));

/** The stages up to the end of the first side, which lies for so long. */
export const firstStages = (program: BakeProgram, seconds: number): Stage[] =>
  stagesWith(program, [seconds]).slice(0, program.hotPress ? 2 : 1);

/**
 * Bakes a request with given seconds for its sides.
 * @param request the bread on its plate
 * @param seconds s by side
 * @param grid cells and step, where not the usual ones
 */
export const bakeWith = (
  { setup, program }: BakeRequest,
  seconds: readonly number[],
  grid: Pick<BakeOptions, 'cells' | 'stepS'> = {},
): BakeOutcome => bake({ ...setup, stages: stagesWith(program, seconds) }, grid);

/** What a piece fails for when it lacks something for ever. */
export const TROUBLE_OF: Record<Short, Trouble> = {
  'pale first side': 'never browns',
  'pale second side': 'never browns',
  raw: 'middle stays raw',
  'no puff': 'never puffs',
};
