import type { BakeProgram } from '../../formula/methodSchema';
import { bake } from '../model/bake';
import type { BakeSetup } from '../model/baking';
import type { BakeOutcome } from '../model/outcome';
import type { BakeStandard, Over, Short } from './standard';
import { type Stage, stagesOf } from '../model/stages';

/** A bake that is looked for: everything but its times. */
export interface BakeRequest {
  setup: Omit<BakeSetup, 'stages'>;
  program: BakeProgram;
  standard: BakeStandard;
}

/** Why no good bread exists: what cannot be reached before what. */
export type Trouble = 'dries first' | 'burns first' | 'middle stays raw' | 'never browns' | 'never puffs';

export interface Solution {
  good: boolean;
  trouble: Trouble | null;
  /** Seconds of each side. */
  seconds: number[];
  /** Earliest and latest end of the last side (of all sides in proportion, for three sides and more), in seconds. */
  least: number[];
  most: number[];
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
/** Of the way from the earliest to the latest end, the advised one is here. */
export const INTO_RANGE = 0.25;

/** The stages of a program with other seconds for its sides. */
export const stagesWith = (program: BakeProgram, seconds: readonly number[]): Stage[] =>
  stagesOf({
    ...program,
    sides: program.sides.map((side, index) => ({ ...side, seconds: seconds[index] ?? side.seconds })),
  });

/** Bakes a request with given seconds for its sides. */
export const bakeWith = ({ setup, program }: BakeRequest, seconds: readonly number[]): BakeOutcome =>
  bake({ ...setup, stages: stagesWith(program, seconds) });

/** What a piece fails for when it lacks something for ever. */
export const TROUBLE_OF: Record<Short, Trouble> = {
  'pale first side': 'never browns',
  'pale second side': 'never browns',
  raw: 'middle stays raw',
  middle: 'middle stays raw',
  'no puff': 'never puffs',
};
