/** A griddle plate as the bread feels it, per square metre. */
export interface PlateProperties {
  densityKgM3: number;
  heatJKgK: number;
  thicknessM: number;
  conductivityWMK: number;
  /** Loss of a bare plate to the room, W/m²K. */
  lossWM2K: number;
  /** Thermostat: power for each kelvin below the set point, W/m²K; 0 is a fixed flame. */
  gainWM2K: number;
  maxPowerWM2: number;
  /** A burner that nobody touches gives this, whatever the plate has, W/m²; left out where a set point is held. */
  fixedWM2?: number;
  /** Between the place under a bread and the rest, W/m²K. */
  lateralWM2K: number;
  /** Bare plate for each square metre of bread. */
  restArea: number;
  /** Layers that are followed through the thickness: 1 for metals, 6 for stone. */
  layers: number;
  /** Between the middle of the top layer and the bread, m²K/W. */
  resistanceM2KW: number;
  /** An ideal plate that never dips. */
  held: boolean;
}

/** A thermostatic restaurant griddle of 10 mm steel (assumption; every kitchen sets its own). */
export const STEEL_GRIDDLE: PlateProperties = {
  densityKgM3: 7850,
  heatJKgK: 490,
  thicknessM: 0.01,
  conductivityWMK: 45,
  lossWM2K: 22,
  gainWM2K: 1000,
  maxPowerWM2: 20_000,
  lateralWM2K: 60,
  restArea: 1,
  layers: 1,
  resistanceM2KW: 0,
  held: false,
};

/** Temperatures of a plate: its layers under the bread from the bread down, and the bare rest. */
export interface PlateState {
  underC: Float64Array;
  restC: number;
}

/**
 * @param plate its layers
 * @param underC under the bread, °C
 * @param restC beside it, °C
 * @returns state of all layers
 */
export const plateAt = ({ layers }: PlateProperties, underC: number, restC = underC): PlateState => ({
  underC: new Float64Array(layers).fill(underC),
  restC,
});

const clamp = (value: number, low: number, high: number) => (value < low ? low : value > high ? high : value);

/** Under a bread only the lower side loses heat to the room. */
const COVERED_LOSS = 0.5;

/**
 * One implicit step of the plate while it gives `fluxWM2` to a bread (0 when bare).
 * The burner keeps `setC` as far as its thermostat and power go.
 * @param plate the plate
 * @param state its temperatures, changed in place
 * @param setC set point, °C
 * @param airC air, °C
 * @param fluxWM2 flux into the bread, W/m²
 * @param stepS step, s
 * @param covered whether a bread lies on it
 */
export function plateStep(
  plate: PlateProperties,
  state: PlateState,
  setC: number,
  airC: number,
  fluxWM2: number,
  stepS: number,
  covered = true,
): void {
  if (plate.held) return;
  const { underC } = state;
  const idle = plate.lossWM2K * (setC - airC);
  const power = (tempC: number) =>
    plate.fixedWM2 ?? clamp(idle + plate.gainWM2K * (setC - tempC), 0, plate.maxPowerWM2);
  const layers = underC.length;
  const storage = (plate.densityKgM3 * plate.heatJKgK * plate.thicknessM) / stepS;
  const loss = plate.lossWM2K * (covered ? COVERED_LOSS : 1);
  const topC = underC[0]!;
  const below = power(underC[layers - 1]!);
  const around = power(state.restC);
  const restC =
    (storage * plate.restArea * state.restC +
      plate.restArea * (around + plate.lossWM2K * airC) +
      plate.lateralWM2K * topC) /
    (storage * plate.restArea + plate.restArea * plate.lossWM2K + plate.lateralWM2K);
  if (layers === 1) {
    underC[0] =
      (storage * topC + below + loss * airC + plate.lateralWM2K * state.restC - fluxWM2) /
      (storage + plate.lateralWM2K + loss);
  } else {
    stepLayers(plate, state, { storage: storage / layers, below, loss, airC, fluxWM2 });
  }
  state.restC = restC;
}

interface LayerTerms {
  storage: number;
  below: number;
  loss: number;
  airC: number;
  fluxWM2: number;
}

/** Conduction through a thick plate, implicit; the burner heats the lowest layer, the bread cools the top one. */
function stepLayers(plate: PlateProperties, { underC, restC }: PlateState, terms: LayerTerms): void {
  const layers = underC.length;
  const link = (plate.conductivityWMK * layers) / plate.thicknessM;
  const lateral = plate.lateralWM2K / layers;
  const diagonal = new Float64Array(layers);
  const right = new Float64Array(layers);
  for (let i = 0; i < layers; i += 1) {
    diagonal[i] = terms.storage + lateral + (i > 0 ? link : 0) + (i < layers - 1 ? link : 0);
    right[i] = terms.storage * underC[i]! + lateral * restC;
  }
  right[0]! -= terms.fluxWM2;
  diagonal[layers - 1]! += terms.loss;
  right[layers - 1]! += terms.below + terms.loss * terms.airC;
  for (let i = 1; i < layers; i += 1) {
    const factor = -link / diagonal[i - 1]!;
    diagonal[i]! += factor * link;
    right[i]! -= factor * right[i - 1]!;
  }
  for (let i = layers - 1; i >= 0; i -= 1) {
    const next = i < layers - 1 ? underC[i + 1]! : 0;
    underC[i] = (right[i]! + (i < layers - 1 ? link * next : 0)) / diagonal[i]!;
  }
}
