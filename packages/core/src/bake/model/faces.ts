import { type Column, weighted } from './column';
import {
  KELVIN,
  STEFAN_BOLTZMANN_W_M2K4,
  VAPOUR_GAS_J_KGK,
  WATER_HEAT_J_KGK,
  steamEnthalpyJKg,
} from './constants';
import { SORPTION_POWER, SORPTION_SLOPE_1_K, waterActivity } from './sorption';
import { ROW, placeOf, tabled } from './tables';

/** What a face meets: iron, or a gas with something hot or cold in view. */
export type FaceMeets =
  | {
      kind: 'plate';
      /** Times the contact conductance: a press, butter, a stuck face, a later contact. */
      contact: number;
      /** Times the film conductance. */
      filmContact: number;
      /** A face stuck to the iron keeps its wet contact as it dries. */
      stuck: boolean;
      /** Another iron than the plate, that holds this temperature: a platen of a press. */
      heldC?: number;
    }
  | {
      kind: 'gas';
      gasC: number;
      radiantC: number;
      convection: number;
      /** What a blister film on this face feels where the gas is a fire: its conductance and temperature. */
      fire: { conductance: number; tempC: number } | null;
    };

/**
 * How a face enters the heat solve of its cell, W/m²: flux in = source − conductance × T of the cell at the end of the
 * step. `drying` is the water that leaves it, kg/m²s.
 */
export interface FaceTerms {
  conductance: number;
  source: number;
  drying: number;
  /** For gas: surface temperature; for a plate: contact conductance. */
  surface: number;
  /** Of the surface alone, for the ledger. */
  flux: number;
}

export const openFaceTerms = (): FaceTerms => ({ conductance: 0, source: 0, drying: 0, surface: 0, flux: 0 });

/** Conductance between iron and dough; it falls as the outer layer dries, W/m²K. */
function contactConductance(
  column: Column,
  face: 0 | 1,
  { contact, stuck }: Extract<FaceMeets, { kind: 'plate' }>,
): number {
  const { model, dough } = column;
  if (stuck) return contact * model.wetContact;
  const wetness = Math.min(1, weighted(column.water, column.contactWeights[face]) / dough.waterPerDry);
  return contact * (model.dryContact + (model.wetContact - model.dryContact) * wetness);
}

export function plateFace(
  column: Column,
  face: 0 | 1,
  meets: Extract<FaceMeets, { kind: 'plate' }>,
  plateC: number,
  plateResistance: number,
  terms: FaceTerms,
): void {
  const cell = face === 0 ? 0 : column.cells - 1;
  const contact = 1 / (1 / contactConductance(column, face, meets) + plateResistance);
  terms.surface = contact;
  terms.conductance = 1 / (1 / contact + column.widthM[cell]! / (2 * column.conductivity[cell]!));
  terms.source = terms.conductance * plateC;
  terms.drying = 0;
}

const NEWTON_STEPS = 6;
/** It converges quadratically: what is left is far smaller. */
const NEWTON_C = 0.01;
/** Lewis: mass transfer from heat transfer, air of 1.0 kg/m³ and 1007 J/kgK, Le^(2/3) of 0.90. */
const LEWIS_J_M3K = 1007 * 0.9;

/** A face in gas: convection, radiation, evaporation. The surface temperature is found by Newton, then made linear. */
export function gasFace(
  column: Column,
  face: 0 | 1,
  meets: Extract<FaceMeets, { kind: 'gas' }>,
  terms: FaceTerms,
): void {
  const { air, ambientPa, perSorption, tempC, water, model } = column;
  const cell = face === 0 ? 0 : column.cells - 1;
  const cellC = tempC[cell]!;
  const inside = (2 * column.conductivity[cell]!) / column.widthM[cell]!;
  const { gasC, radiantC, convection } = meets;
  const airK = air.tempC + KELVIN;
  const radiant = radiantC + KELVIN;
  const radiant4 = radiant * radiant * radiant * radiant;
  const transfer = convection / LEWIS_J_M3K;
  const grey = model.emissivity * STEFAN_BOLTZMANN_W_M2K4;
  let surfaceC = column.faceC[face];
  let flux = 0;
  let slope = 0;
  let drying = 0;
  for (let step = 0; step < NEWTON_STEPS; step += 1) {
    const surfaceK = surfaceC + KELVIN;
    const place = placeOf(surfaceC);
    const activity = waterActivity(water[cell]!, perSorption, tabled(place, ROW.warmth));
    const vapour = activity * tabled(place, ROW.saturation);
    const mass = transfer / ((VAPOUR_GAS_J_KGK * (surfaceK + airK)) / 2);
    const latent = steamEnthalpyJKg(surfaceC) - WATER_HEAT_J_KGK * surfaceC;
    const leaving = mass * (vapour - ambientPa);
    const leavingPerC =
      mass * vapour * (tabled(place, ROW.slope) + SORPTION_SLOPE_1_K * SORPTION_POWER * (1 - activity));
    const cube = surfaceK * surfaceK * surfaceK;
    flux = convection * (gasC - surfaceC) + grey * (radiant4 - cube * surfaceK) - latent * leaving;
    slope = -convection - 4 * grey * cube - latent * leavingPerC;
    const change = (flux - inside * (surfaceC - cellC)) / (slope - inside);
    surfaceC -= change;
    flux -= slope * change;
    drying = leaving - leavingPerC * change;
    if (change < NEWTON_C && change > -NEWTON_C) break;
  }
  terms.conductance = (-slope * inside) / (inside - slope);
  terms.source = flux + terms.conductance * cellC;
  terms.drying = drying;
  terms.surface = surfaceC;
  terms.flux = flux;
}
