import type { ResolvedLine } from '../../formula/formulaSchema';
import { relaxingFactor } from '../adjust';
import type { Conditions } from '../../kitchen/conditionsSchema';
import type { Plan, Step, Today } from '../planSchema';
import { heatToday } from './todaysHeat';
import { restsToday } from './todaysRests';
import { type TodaysHydration } from './todaysWater';

/** A plan before the day's clock and warnings are worked out. */
export type PlanSoFar = Omit<Plan, 'today' | 'steps' | 'expectedS' | 'warnings'>;

interface KnownToday {
  hydration: TodaysHydration;
  plan: PlanSoFar;
  lines: readonly ResolvedLine[];
  /** The main liquid among them. */
  liquid: ResolvedLine | null;
  conditions: Conditions;
  /** The steps on no day in particular. */
  usual: readonly Step[];
}

/** What the day changes, once the sheet is known. */
export function todayOf({ hydration, plan, lines, liquid, conditions, usual }: KnownToday): Today {
  const { formula, sheet, mixer = null, kitchen, totals, ballG, bowls } = plan;
  const row = sheet.find(({ lineId }) => lineId === liquid?.id);
  const { liquid: heat, ...warmth } = heatToday({
    ...{ formula, lines, sheet, conditions, mixer },
    liquidLineId: liquid?.id ?? null,
    doughDensityGMl: plan.doughDensityGMl,
  });
  const perPoint = liquid ? plan.flourG / bowls / liquid.food.water : 0;
  const { today, low, high } = hydration.hydration;
  const rests = restsToday({
    ...{ formula, lines, kitchen, totals, ballG, doughG: plan.bowlG },
    doughC: warmth.doughC,
    airC: conditions.airC,
    relaxingFactor: relaxingFactor(plan.adjustments),
    beforeS: usual
      .filter(({ kind }) => kind === 'mix' || kind === 'knead' || kind === 'pause')
      .reduce((sum, { expectedS }) => sum + expectedS, 0),
  });
  return {
    conditions,
    ...hydration,
    liquid: row
      ? {
          lineId: row.lineId,
          startG: row.startG ?? row.massG,
          heldG: row.massG - (row.startG ?? row.massG),
          lowG: Math.max(0, row.massG + (low - today) * perPoint),
          highG: Math.max(0, row.massG + (high - today) * perPoint),
          ...heat,
        }
      : null,
    ...warmth,
    rests,
  };
}

/** Steps whose rests last as long as the day asks for, and whose mixing waits until scalded dough has cooled. */
export const stepsToday = (steps: readonly Step[], today: Today | null): Step[] =>
  steps.map((step) => {
    const rest = step.rest === undefined ? undefined : today?.rests[step.rest];
    if (rest) return { ...step, expectedS: rest.beyond ? rest.latestS : rest.earliestS };
    const waitS = step.kind === 'mix' ? (today?.cooling?.waitS ?? 0) : 0;
    return { ...step, expectedS: step.expectedS + waitS };
  });
