import { HAND_SAFE_C, bowlSurfaceM2, coolingS, spreadSurfaceM2 } from '../../dough/cooling';
import {
  HYDRATION_HEAT_KJ_KG,
  type HeatPart,
  heatOfDegree,
  heatPart,
  mixedTemperature,
  waterForDough,
} from '../../dough/heatBalance';
import type { Formula, ResolvedLine } from '../../formula/formulaSchema';
import type { Conditions } from '../../kitchen/conditionsSchema';
import type { Mixer } from '../../kitchen/kitchenSchema';
import { FRIDGE_C } from '../../ingredient/perishable';
import type { SheetLine, Today } from '../planSchema';

export interface HeatSetting {
  formula: Formula;
  lines: readonly ResolvedLine[];
  /** Of one bowl. */
  sheet: readonly SheetLine[];
  liquidLineId: string | null;
  conditions: Conditions;
  mixer: Mixer | null;
  doughDensityGMl: number;
}

export type TodaysHeat = Pick<Today, 'doughC' | 'frictionC' | 'cooling'> & {
  liquid: Pick<NonNullable<Today['liquid']>, 'tempC' | 'reachable' | 'ice' | 'bestDoughC' | 'flourC'>;
};

/** Boiling and freezing bound what a liquid can be brought to. */
const LIQUID_C = { coldest: 0, hottest: 100 } as const;
/** Opening of a bowl that nobody measured (assumption). */
const USUAL_OPENING_MM = 400;
/** Hot dough is pushed out to half a finger with the spoon (trade practice). */
const SPREAD_MM = 6;
const KJ_PER_G_FLOUR = HYDRATION_HEAT_KJ_KG / 1000;

/** Where a line's temperature comes from. */
function tempOf(line: ResolvedLine, { airC, flourC, liquidC }: Conditions): number {
  const { kind } = line.food;
  if (kind === 'flour') return flourC;
  if (kind === 'water') return liquidC;
  return kind === 'dairy' || kind === 'egg' ? FRIDGE_C : airC;
}

/** Minutes that the mixer works the dough. */
const workedMin = ({ method: { mix, knead } }: Formula): number =>
  [mix, knead, ...(knead.again ?? [])].reduce(
    (sum, { by, minS, maxS }) => sum + (by === 'machine' ? (minS + maxS) / 2 / 60 : 0),
    0,
  );

const finite = (seconds: number): number | null => (Number.isFinite(seconds) ? seconds : null);

function coolingOf(
  fromC: number,
  airC: number,
  parts: readonly HeatPart[],
  mixer: Mixer | null,
  densityGMl: number,
): Today['cooling'] {
  if (fromC <= HAND_SAFE_C) return null;
  const massG = parts.reduce((sum, part) => sum + part.massG, 0);
  const question = { fromC, toC: HAND_SAFE_C, airC, heatKJK: heatOfDegree(parts) };
  const heapS = coolingS({
    ...question,
    surfaceM2: bowlSurfaceM2(mixer?.openingMm ?? USUAL_OPENING_MM),
  });
  const spreadS = coolingS({ ...question, surfaceM2: spreadSurfaceM2(massG, densityGMl, SPREAD_MM) });
  return {
    fromC,
    toC: HAND_SAFE_C,
    // A little dough lies thinner in its bowl than it would be spread.
    waitS: finite(Math.min(spreadS, heapS)),
    heapS: finite(heapS),
  };
}

/** Temperature of the liquid for the wanted dough, or of the dough that the formula's liquid gives; per bowl. */
export function heatToday(setting: HeatSetting): TodaysHeat {
  const { formula, lines, sheet, liquidLineId, conditions, mixer, doughDensityGMl } = setting;
  const partOf = (line: ResolvedLine, tempC: number): HeatPart =>
    heatPart(line.food, sheet.find(({ lineId }) => lineId === line.id)?.massG ?? 0, tempC);
  const dry = lines
    .filter(({ id }) => id !== liquidLineId)
    .map((line) => partOf(line, tempOf(line, conditions)));
  const liquidLine = lines.find(({ id }) => id === liquidLineId);
  const flourG = sheet.reduce((sum, { kind, massG }) => sum + (kind === 'flour' ? massG : 0), 0);
  const frictionC = (mixer?.by === 'machine' ? mixer.warmCPerMin : 0) * workedMin(formula);
  const liquidAt = (tempC: number) => (liquidLine ? [partOf(liquidLine, tempC)] : []);
  const hydrationKJ = flourG * KJ_PER_G_FLOUR;
  const extraKJ = hydrationKJ + frictionC * heatOfDegree([...dry, ...liquidAt(0)]);
  const [liquid] = liquidAt(0);

  const asWritten = formula.method.liquidTempC;
  const answer =
    conditions.doughC === undefined || !liquid
      ? { liquidC: asWritten, reachable: true, ice: null, bestDoughC: null, dryC: null }
      : waterForDough({
          dry,
          liquidG: liquid.massG,
          liquidHeatKJKgK: liquid.heatKJKgK,
          wantedC: conditions.doughC,
          extraKJ,
          comesAtC: conditions.liquidC,
          isWater: liquidLine?.food.kind === 'water',
        });
  const tempC = Math.min(LIQUID_C.hottest, Math.max(LIQUID_C.coldest, answer.liquidC));
  const all = [...dry, ...liquidAt(tempC)];
  // Boiling water meets the flour before any kneading warms it.
  const scaldedC = mixedTemperature(all, hydrationKJ);
  const cooling = coolingOf(scaldedC, conditions.airC, all, mixer, doughDensityGMl);
  const mixedC =
    conditions.doughC !== undefined && liquid
      ? (answer.bestDoughC ?? conditions.doughC)
      : mixedTemperature(all, extraKJ);
  return {
    liquid: {
      tempC,
      reachable: answer.reachable,
      ice: answer.ice,
      bestDoughC: answer.bestDoughC,
      flourC: answer.dryC,
    },
    // Scalded dough is kneaded once it has cooled.
    doughC: cooling ? Math.min(mixedC, cooling.toC + frictionC) : mixedC,
    frictionC,
    cooling,
  };
}
