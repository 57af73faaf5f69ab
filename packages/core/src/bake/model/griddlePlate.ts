import type { FlameSetting, Griddle, Material } from '../../kitchen/griddleSchema';
import type { PlateProperties } from './plate';

interface MaterialProperties {
  densityKgM3: number;
  heatJKgK: number;
  conductivityWMK: number;
  /** Between the place under a bread and the rest, W/m²K for a 10 mm plate; sideways conduction grows with thickness. */
  lateralWM2K: number;
  layers: number;
}

/** Handbook values; sideways exchange is an assumption. */
const MATERIAL: Record<Material, MaterialProperties> = {
  'cast iron': { densityKgM3: 7200, heatJKgK: 500, conductivityWMK: 50, lateralWM2K: 60, layers: 1 },
  steel: { densityKgM3: 7850, heatJKgK: 490, conductivityWMK: 45, lateralWM2K: 60, layers: 1 },
  aluminium: { densityKgM3: 2700, heatJKgK: 900, conductivityWMK: 200, lateralWM2K: 250, layers: 1 },
  stone: { densityKgM3: 2300, heatJKgK: 900, conductivityWMK: 1.5, lateralWM2K: 5, layers: 6 },
};

/** Net heat of a burner into a pan, kW/m² of pan, from and to (assumptions, from this model). */
export const FLAME_KW_M2: Record<FlameSetting, readonly [number, number]> = {
  'medium-low': [8, 10],
  medium: [11, 14],
  'medium-high': [14, 18],
  high: [17, 20],
};
const W_PER_KW = 1000;

/** Loss of a bare hot plate to the room, W/m²K, and the gain of a common thermostat. */
const LOSS_W_M2K = 22;
const THERMOSTAT_W_M2K = 1000;
/** From here on the resistance of a metal plate itself is counted; sideways exchange is given for it. */
const THICK_MM = 10;
const MM2_PER_M2 = 1e6;
const MM_PER_M = 1000;

/**
 * @param griddle its shape and size, mm
 * @returns m²
 */
export const plateAreaM2 = ({ shape, widthMm, depthMm }: Griddle): number =>
  (shape === 'round' ? (Math.PI / 4) * widthMm * depthMm : widthMm * depthMm) / MM2_PER_M2;

/**
 * The plate as one bread feels it, when `covered` of its area lies under bread (0 to 1).
 * @param griddle the kitchen's griddle
 * @param covered share of it under bread, 0 to 1
 * @returns layers, power and size for the model
 */
export function plateOf(griddle: Griddle, covered: number): PlateProperties {
  const { densityKgM3, heatJKgK, conductivityWMK, lateralWM2K, layers } = MATERIAL[griddle.material];
  const thicknessM = griddle.thicknessMm / MM_PER_M;
  const share = Math.min(0.95, Math.max(0.02, covered));
  const ownResistance =
    layers > 1
      ? thicknessM / (2 * layers * conductivityWMK)
      : griddle.thicknessMm >= THICK_MM
        ? thicknessM / (3 * conductivityWMK)
        : 0;
  return {
    ...{ densityKgM3, heatJKgK, conductivityWMK, thicknessM, layers },
    lossWM2K: LOSS_W_M2K,
    gainWM2K: griddle.heat === 'thermostat' ? THERMOSTAT_W_M2K : 0,
    maxPowerWM2: griddle.powerW / plateAreaM2(griddle),
    lateralWM2K: (lateralWM2K * griddle.thicknessMm) / THICK_MM,
    ...(griddle.heat === 'burner' && griddle.flame
      ? { fixedWM2: (W_PER_KW * (FLAME_KW_M2[griddle.flame][0] + FLAME_KW_M2[griddle.flame][1])) / 2 }
      : {}),
    restArea: (1 - share) / share,
    resistanceM2KW: ownResistance,
    held: false,
  };
}
