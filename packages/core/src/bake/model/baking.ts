import { type Column, copyColumn, enthalpyJM2, openColumn } from './column';
import type { DoughProperties } from './composition';
import { MM_PER_M } from './constants';
import { type FaceTerms, openFaceTerms } from './faces';
import { type Films, copyFilms, openFilms } from './films';
import { type Air, DEFAULT_AIR, DEFAULT_MODEL, type ModelConstants } from './model';
import { type PlateProperties, type PlateState, plateAt, STEEL_GRIDDLE } from './plate';
import { type Stage, platenS } from './stages';

/** Everything one bake depends on. */
export interface BakeSetup {
  dough: DoughProperties;
  thicknessMm: number;
  doughC: number;
  /** Set point of the plate. */
  plateC: number;
  /** What the plate really has when the piece goes on, under it and around; the set point when left out. */
  startC?: { under: number; rest: number };
  plate?: PlateProperties;
  air?: Air;
  model?: ModelConstants;
  stages: readonly Stage[];
}

/** Sums that must close: heat in through the lower face, out through the upper, and away with steam, J/m²; water, kg/m². */
export interface Ledger {
  startJ: number;
  inJ: number;
  topJ: number;
  steamJ: number;
  steamKg: number;
  driedKg: number;
  steps: number;
}

/** A running bake, for the stepper and for whoever watches it. Face A (0) went down first. */
export interface Baking {
  readonly column: Column;
  readonly plateProperties: PlateProperties;
  readonly plate: PlateState;
  setC: number;
  readonly filmsA: Films;
  readonly filmsB: Films;
  readonly termsA: FaceTerms;
  readonly termsB: FaceTerms;
  readonly ledger: Ledger;
  /** Browning of the mean faces, and its rate at the end of the last step. */
  browningA: number;
  browningB: number;
  rateA: number;
  rateB: number;
  /** Since it went on the plate; below 0 in a hot press. */
  timeS: number;
  /** Of those on the plate; −1 in a hot press. */
  stage: number;
  down: 0 | 1;
  /** Out of the plate in the last step, W/m². */
  plateFlux: number;
  middleC: number;
  /** Least gelatinisation anywhere. */
  gelatinised: number;
  cookedS: number | null;
  bubblesS: number | null;
  puffIndex: number;
  puffIndexNow: number;
  puffDoseS: number;
  puffS: number | null;
  plateDipC: number;
  /** A value left its bounds. */
  lost: boolean;
}

export function startBaking(setup: BakeSetup, cells: number): Baking {
  const { dough, thicknessMm, doughC, plateC, startC, air = DEFAULT_AIR, model = DEFAULT_MODEL } = setup;
  const column = openColumn({ dough, thicknessM: thicknessMm / MM_PER_M, doughC, air, model, cells });
  const plate = setup.plate ?? STEEL_GRIDDLE;
  return {
    column,
    plateProperties: plate,
    plate: plateAt(plate, startC?.under ?? plateC, startC?.rest ?? plateC),
    setC: plateC,
    filmsA: openFilms(column),
    filmsB: openFilms(column),
    termsA: openFaceTerms(),
    termsB: openFaceTerms(),
    ledger: { startJ: enthalpyJM2(column), inJ: 0, topJ: 0, steamJ: 0, steamKg: 0, driedKg: 0, steps: 0 },
    browningA: 0,
    browningB: 0,
    rateA: 0,
    rateB: 0,
    timeS: -platenS(setup.stages),
    stage: 0,
    down: 0,
    plateFlux: 0,
    middleC: doughC,
    gelatinised: 0,
    cookedS: null,
    bubblesS: null,
    puffIndex: 0,
    puffIndexNow: 0,
    puffDoseS: 0,
    puffS: null,
    plateDipC: 0,
    lost: false,
  };
}

/** The state as it stands now, to go on from later. Properties and scratch, which every step works out anew, are shared. */
export function copyBaking(baking: Baking): Baking {
  const { column, plate, filmsA, filmsB, ledger } = baking;
  return {
    ...baking,
    column: copyColumn(column),
    plate: { ...plate, underC: plate.underC.slice() },
    filmsA: copyFilms(filmsA),
    filmsB: copyFilms(filmsB),
    ledger: { ...ledger },
  };
}
