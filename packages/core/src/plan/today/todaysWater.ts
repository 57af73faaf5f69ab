import { newLotOffset, nextBatchReach } from '../../flourLot/lotOffset';
import {
  MILL_MOISTURE,
  equilibriumMoisture,
  hydrationAtMoisture,
  storedMoisture,
} from '../../dough/flourMoisture';
import type { ResolvedLine } from '../../formula/formulaSchema';
import { doughTotals } from '../../formula/percentages';
import type { Conditions } from '../../kitchen/conditionsSchema';
import type { Today } from '../planSchema';

export type TodaysHydration = Pick<Today, 'flourMoisture' | 'equilibriumMoisture' | 'hydration'>;

/** The day may take or give this share of the liquid; more is a slip in the figures. */
const LARGEST_CHANGE = 0.5;
const PER_POINT = 0.01;

/** Moisture of the flour now: as measured, else as the lot has followed the air since it came, else the mill's. */
function moistureNow({ airC, humidity, flourMoisture, lot }: Conditions): {
  now: number;
  equilibrium: number;
} {
  const equilibrium = equilibriumMoisture(airC, humidity);
  if (flourMoisture !== undefined) return { now: flourMoisture, equilibrium };
  if (!lot) return { now: MILL_MOISTURE, equilibrium };
  return { now: storedMoisture(lot.moisture, equilibrium, lot.days, lot.storage), equilibrium };
}

/**
 * The hydration that the day asks for, and how far it may be off: the flour's moisture and what the lot has taught.
 * @param byChange share of flour that is carried in from an earlier batch
 */
export function hydrationToday(
  lines: readonly ResolvedLine[],
  conditions: Conditions,
  byChange = 0,
): TodaysHydration {
  const { now, equilibrium } = moistureNow(conditions);
  const formula = doughTotals(lines.map(({ fraction, food }) => ({ mass: fraction, food }))).hydration;
  const byMoisture = hydrationAtMoisture(formula, now) - formula;
  const offset = conditions.lot?.offset ?? newLotOffset();
  const byLot = offset.meanPoints * PER_POINT;
  const reach = nextBatchReach(offset) * PER_POINT;
  const today = formula + byMoisture + byLot + byChange;
  return {
    flourMoisture: now,
    equilibriumMoisture: equilibrium,
    hydration: {
      ...{ formula, byMoisture, byLot },
      ...(byChange === 0 ? {} : { byChange }),
      ...{ today, low: Math.max(0, today - reach), high: Math.max(0, today + reach) },
    },
  };
}

/** The lines with the main liquid changed so that the dough has the day's hydration. */
export function withHydration(
  lines: readonly ResolvedLine[],
  liquid: ResolvedLine | null,
  { hydration }: TodaysHydration,
): ResolvedLine[] {
  if (!liquid) return [...lines];
  const wanted = liquid.fraction + (hydration.today - hydration.formula) / liquid.food.water;
  const fraction = Math.min(
    liquid.fraction * (1 + LARGEST_CHANGE),
    Math.max(liquid.fraction * (1 - LARGEST_CHANGE), wanted),
  );
  return lines.map((line) => (line.id === liquid.id ? { ...line, fraction } : line));
}
