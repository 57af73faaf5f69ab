import type { Baking } from './baking';
import { lightnessOf } from './browning';
import { type Column, enthalpyJM2, meanWater } from './column';
import { MM_PER_M, PERCENT } from './constants';
import { MEDIAN_FILM, charOf, coverOf } from './films';

/** What a bake comes to. Pairs are face A, which went down first, and face B. */
export interface BakeOutcome {
  endS: number;
  /** Bubbles show on the open face: the cue to flip. Null when they never do. */
  bubblesS: number | null;
  /** The middle is at 95 °C, or 2 K below boiling where that is less. */
  cookedS: number | null;
  /** Least gelatinisation anywhere, 0 to 1. */
  gelatinised: number;
  /** Percent of the dough. */
  weightLoss: number;
  /** Wet-basis moisture, percent. */
  moisture: number;
  /** The same of the bread without its fat, which holds no water: this is what bends or cracks. */
  fatFreeMoisture: number;
  /** Of the raw disc. */
  thicknessMm: number;
  faceC: [number, number];
  /** Of the plate under the bread and around it, and how far it fell below its set point. */
  plateC: number;
  restC: number;
  plateDipC: number;
  /** Heat taken through the lower face, kJ/m². */
  heatKJM2: number;
  /** L* of the mean faces and of the median spot. */
  faceLightness: [number, number];
  spotLightness: [number, number];
  /** Brown and charred share of each face, percent. */
  cover: [number, number];
  char: [number, number];
  /** Largest puff index; below 0.7 it stays flat, above 1.4 it opens, between nobody can say. */
  puffIndex: number;
  puffS: number | null;
  boilingC: number;
  /** Share of the heat, and of the water, that the ledger does not account for, percent. */
  energyError: number;
  waterError: number;
  steps: number;
  /** Times the bake was run again with shorter steps because a value left its bounds. */
  reruns: number;
}

const J_PER_KJ = 1000;

/** Wet-basis moisture of the whole piece, percent. */
export function moistureOf(column: Column): number {
  const x = meanWater(column);
  return (PERCENT * x) / (1 + x);
}

/** Wet-basis moisture of the piece without its fat, percent. */
export function fatFreeMoistureOf(column: Column): number {
  const x = meanWater(column);
  return (PERCENT * x) / (column.dough.nonFatShare + x);
}

export function outcomeOf(baking: Baking, reruns: number): BakeOutcome {
  const { column, filmsA, filmsB, ledger } = baking;
  const { dough, thicknessM } = column;
  const goneKg = ledger.steamKg + ledger.driedKg;
  const driedOutKg = dough.dryKgM3 * thicknessM * (dough.waterPerDry - meanWater(column));
  const takenJ = enthalpyJM2(column) - ledger.startJ;
  return {
    endS: baking.timeS,
    bubblesS: baking.bubblesS,
    cookedS: baking.cookedS,
    gelatinised: baking.gelatinised,
    weightLoss: (PERCENT * goneKg) / (dough.densityKgM3 * thicknessM),
    moisture: moistureOf(column),
    fatFreeMoisture: fatFreeMoistureOf(column),
    thicknessMm: thicknessM * MM_PER_M,
    faceC: [...column.faceC],
    plateC: baking.plate.underC[0]!,
    restC: baking.plate.restC,
    plateDipC: baking.plateDipC,
    heatKJM2: ledger.inJ / J_PER_KJ,
    faceLightness: [lightnessOf(baking.browningA), lightnessOf(baking.browningB)],
    spotLightness: [lightnessOf(filmsA.browning[MEDIAN_FILM]!), lightnessOf(filmsB.browning[MEDIAN_FILM]!)],
    cover: [coverOf(filmsA), coverOf(filmsB)],
    char: [charOf(filmsA), charOf(filmsB)],
    puffIndex: baking.puffIndex,
    puffS: baking.puffS,
    boilingC: column.boilingC,
    energyError: (PERCENT * (ledger.inJ - ledger.topJ - takenJ - ledger.steamJ)) / ledger.inJ,
    waterError: (PERCENT * (goneKg - driedOutKg)) / goneKg,
    steps: ledger.steps,
    reruns,
  };
}
