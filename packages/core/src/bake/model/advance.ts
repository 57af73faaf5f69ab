import type { Baking } from './baking';
import { BROWNING_FROM_C, browningRate } from './browning';
import type { Column } from './column';
import { WATER_HEAT_J_KGK } from './constants';
import { type FaceMeets, type FaceTerms, gasFace, plateFace } from './faces';
import { advanceFilms } from './films';
import { heatStep } from './heatStep';
import { plateStep } from './plate';
import { updateProperties } from './properties';
import { PUFF_AFTER_S, puffIndex } from './puff';
import { waterActivity } from './sorption';
import { steamLost } from './steam';
import { ROW, placeOf, tabled } from './tables';
import { waterStep } from './waterStep';

/** Bounds of the guard. Steam that condenses wets the middle by a fifth in slow bakes, never by half. */
const WETTEST = 1.5;
const LARGEST_CHANGE_K = 60;
const GELATINISES_FROM_C = 50;
const ALL_GELATINISED = 1e-5;
const COOKED_C = 95;
const BELOW_BOILING_C = 2;

/** One step of everything: column, faces, blisters, browning, plate; then what a watcher reads. */
export function advance(baking: Baking, meetsA: FaceMeets, meetsB: FaceMeets, stepS: number): void {
  const { column, plate, termsA, termsB, filmsA, filmsB } = baking;
  const resistance = baking.plateProperties.resistanceM2KW;
  const plateC = plate.underC[0]!;
  const ironA = ironC(meetsA, plateC);
  const ironB = ironC(meetsB, plateC);
  updateProperties(column);
  if (meetsA.kind === 'plate') plateFace(column, 0, meetsA, ironA, resistance, termsA);
  else gasFace(column, 0, meetsA, termsA);
  if (meetsB.kind === 'plate') plateFace(column, 1, meetsB, ironB, resistance, termsB);
  else gasFace(column, 1, meetsB, termsB);
  heatStep(column, stepS, termsA, termsB);

  baking.plateFlux = 0;
  keepLedger(baking, 0, meetsA, termsA, ironA, stepS);
  keepLedger(baking, 1, meetsB, termsB, ironB, stepS);
  const lost = steamLost(column);
  baking.ledger.steamJ += column.steamJKg * lost * stepS;
  baking.ledger.steamKg += lost * stepS;
  baking.ledger.steps += 1;

  waterStep(column, stepS, termsA.drying, termsB.drying);
  cookCells(baking, stepS);
  const rateA = faceBrowning(column, 0);
  const rateB = faceBrowning(column, 1);
  baking.browningA += (stepS * (baking.rateA + rateA)) / 2;
  baking.browningB += (stepS * (baking.rateB + rateB)) / 2;
  baking.rateA = rateA;
  baking.rateB = rateB;

  baking.timeS += stepS;
  advanceFilms(column, filmsA, 0, meetsA, ironA, baking.timeS, stepS);
  advanceFilms(column, filmsB, 1, meetsB, ironB, baking.timeS, stepS);
  const covered = liesOnPlate(meetsA) || liesOnPlate(meetsB);
  plateStep(baking.plateProperties, plate, baking.setC, column.air.tempC, baking.plateFlux, stepS, covered);
  look(baking, stepS);
}

const liesOnPlate = (meets: FaceMeets): boolean => meets.kind === 'plate' && meets.heldC === undefined;

/** The temperature of the iron that a face lies on. */
const ironC = (meets: FaceMeets, plateC: number): number =>
  meets.kind === 'plate' ? (meets.heldC ?? plateC) : plateC;

/** The heat and water that went through a face, and its temperature. */
function keepLedger(
  baking: Baking,
  face: 0 | 1,
  meets: FaceMeets,
  terms: FaceTerms,
  plateC: number,
  stepS: number,
): void {
  const { column, ledger } = baking;
  const cellC = column.nextC[face === 0 ? 0 : column.cells - 1]!;
  const flux = terms.source - terms.conductance * cellC;
  if (meets.kind === 'plate') {
    if (liesOnPlate(meets)) baking.plateFlux = flux;
    column.faceC[face] = plateC - flux / terms.surface;
  } else {
    column.faceC[face] = terms.surface;
  }
  if (face === baking.down) ledger.inJ += flux * stepS;
  else ledger.topJ -= flux * stepS;
  ledger.topJ += WATER_HEAT_J_KGK * cellC * terms.drying * stepS;
  ledger.driedKg += terms.drying * stepS;
}

/** Takes the new temperatures over; starch gelatinises at the mean of old and new. */
function cookCells(baking: Baking, stepS: number): void {
  const { cells, nextC, tempC, warmingCS, water, raw, dough, model } = baking.column;
  const wettest = WETTEST * dough.waterPerDry;
  const perStep = 1 / stepS;
  let bounded = true;
  let rawest = 0;
  for (let i = 0; i < cells; i += 1) {
    const change = nextC[i]! - tempC[i]!;
    // Written so that what is not a number is out of bounds too.
    bounded = bounded && change < LARGEST_CHANGE_K && change > -LARGEST_CHANGE_K && water[i]! < wettest;
    const meanC = tempC[i]! + change / 2;
    if (meanC > GELATINISES_FROM_C && raw[i]! > ALL_GELATINISED) {
      raw[i] = raw[i]! * Math.exp(-stepS * model.gelatinisation * tabled(placeOf(meanC), ROW.gelatinisation));
    }
    tempC[i] = nextC[i]!;
    warmingCS[i] = change * perStep;
    if (raw[i]! > rawest) rawest = raw[i]!;
  }
  baking.gelatinised = 1 - rawest;
  if (!bounded) baking.lost = true;
}

function faceBrowning({ faceC, water, cells, perSorption, model }: Column, face: 0 | 1): number {
  const tempC = faceC[face];
  if (!(tempC > BROWNING_FROM_C)) return 0;
  const warmth = tabled(placeOf(tempC), ROW.warmth);
  return browningRate(model, tempC, waterActivity(water[face === 0 ? 0 : cells - 1]!, perSorption, warmth));
}

/** Cooked, bubbles, puff, dip. */
function look(baking: Baking, stepS: number): void {
  const { column, timeS } = baking;
  const { cells, tempC, boilingC } = column;
  const middleC = 0.5 * (tempC[(cells - 1) >> 1]! + tempC[cells >> 1]!);
  if (baking.cookedS === null) {
    const cookedC = Math.min(COOKED_C, boilingC - BELOW_BOILING_C);
    const rise = middleC - baking.middleC;
    if (middleC >= cookedC) {
      baking.cookedS = timeS - (rise > 0 ? stepS * Math.min(1, (middleC - cookedC) / rise) : 0);
    }
  }
  baking.middleC = middleC;
  baking.bubblesS ??= baking.filmsB.sinceS;
  const index = puffIndex(column);
  baking.puffIndexNow = index;
  if (index > baking.puffIndex) baking.puffIndex = index;
  if (index >= 1) {
    baking.puffDoseS += stepS;
    if (baking.puffDoseS >= PUFF_AFTER_S) baking.puffS ??= timeS;
  }
  const dip = baking.setC - baking.plate.underC[0]!;
  if (dip > baking.plateDipC) baking.plateDipC = dip;
}
