import { type BakeOptions, bake } from './bake';
import type { BakeSetup, Baking } from './baking';
import { charOf, coverOf } from './films';
import { type BakeOutcome, moistureOf } from './outcome';

/** A bake at one moment. Pairs are face A, which went down first, and face B. */
export interface BakeMoment {
  timeS: number;
  /** Index of the stage, and the face that lies down. */
  stage: number;
  down: 0 | 1;
  plateC: number;
  faceC: [number, number];
  middleC: number;
  coldestC: number;
  /** Wet-basis moisture, percent. */
  moisture: number;
  cover: [number, number];
  char: [number, number];
  gelatinised: number;
  puffIndex: number;
  /** From face A to face B: °C, and water per dry matter. */
  profileC: number[];
  profileWater: number[];
}

export interface BakeSeries {
  /** Edges of the cells of the profiles, mm from face A. */
  edgesMm: number[];
  moments: BakeMoment[];
  outcome: BakeOutcome;
}

const MM_PER_M = 1000;
const ROUNDING_S = 1e-6;

const momentOf = (baking: Baking): BakeMoment => ({
  timeS: baking.timeS,
  stage: baking.stage,
  down: baking.down,
  plateC: baking.plate.underC[0]!,
  faceC: [...baking.column.faceC],
  middleC: baking.middleC,
  coldestC: Math.min(...baking.column.tempC),
  moisture: moistureOf(baking.column),
  cover: [coverOf(baking.filmsA), coverOf(baking.filmsB)],
  char: [charOf(baking.filmsA), charOf(baking.filmsB)],
  gelatinised: baking.gelatinised,
  puffIndex: baking.puffIndexNow,
  profileC: Array.from(baking.column.tempC),
  profileWater: Array.from(baking.column.water),
});

/**
 * A bake with what it went through, about every so many seconds, at every turn and at its end.
 * @param setup dough, plate, air and stages
 * @param everyS between two points, s
 * @param options grid and step
 */
export function bakeSeries(
  setup: BakeSetup,
  everyS: number,
  options: Omit<BakeOptions, 'watch'> = {},
): BakeSeries {
  let moments: BakeMoment[] = [];
  let edgesMm: number[] = [];
  let nextS = 0;
  let endOfStageS = 0;
  const onPlate = setup.stages.filter(({ under }) => under !== 'platen');
  const outcome = bake(setup, {
    ...options,
    watch: (baking) => {
      // A bake that runs again with shorter steps starts its series again.
      if (moments.length > 0 && baking.timeS < moments.at(-1)!.timeS) moments = [];
      if (moments.length === 0) {
        edgesMm = Array.from(baking.column.edgeM, (m) => m * MM_PER_M);
        nextS = 0;
      }
      endOfStageS = onPlate.slice(0, baking.stage + 1).reduce((sum, { seconds }) => sum + seconds, 0);
      const turns = baking.timeS >= endOfStageS - ROUNDING_S;
      if (baking.timeS >= nextS - ROUNDING_S || turns) {
        moments.push(momentOf(baking));
        nextS = Math.floor(baking.timeS / everyS + 1 + ROUNDING_S) * everyS;
      }
      return 'on';
    },
  });
  return { edgesMm, moments, outcome };
}
