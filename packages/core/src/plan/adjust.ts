import type { Formula, ResolvedLine } from '../formula/formulaSchema';
import { LIMITS_OF } from '../formula/methodSchema';
import type { Kitchen } from '../kitchen/kitchenSchema';
import type { Adjustable, Adjustment } from './adjustmentSchema';

const POINT = 0.01;
const S_PER_MIN = 60;
const SHORTEST_SIDE_S = 3;

/** All changes to one thing together; the last of those that replace it. */
const sumOf = (adjustments: readonly Adjustment[], what: Adjustable): number =>
  adjustments.reduce((sum, one) => (one.what === what ? sum + one.value : sum), 0);
const lastOf = (adjustments: readonly Adjustment[], what: Adjustable): number | undefined =>
  adjustments.filter((one) => one.what === what).at(-1)?.value;

/** How much longer or shorter than the law says a kitchen's dough takes to relax. */
export const relaxingFactor = (adjustments: readonly Adjustment[] | undefined): number =>
  lastOf(adjustments ?? [], 'relaxing-time') ?? 1;

/** Points of water that are carried in, as a share of flour. */
export const addedWater = (adjustments: readonly Adjustment[] | undefined): number =>
  sumOf(adjustments ?? [], 'water') * POINT;

/** The kitchen with the losses that its records show. */
export function adjustedKitchen(kitchen: Kitchen, adjustments: readonly Adjustment[]): Kitchen {
  return {
    ...kitchen,
    bowlLoss: lastOf(adjustments, 'bowl-loss') ?? kitchen.bowlLoss,
    benchLoss: lastOf(adjustments, 'bench-loss') ?? kitchen.benchLoss,
  };
}

/** Lines with more or less of the liquid that follows the dough, as a share of flour. */
export function withWater(
  lines: readonly ResolvedLine[],
  liquid: ResolvedLine | null,
  share: number,
): ResolvedLine[] {
  if (!liquid || share === 0) return [...lines];
  const fraction = Math.max(0, liquid.fraction + share / liquid.food.water);
  return lines.map((line) => (line.id === liquid.id ? { ...line, fraction } : line));
}

/** A formula is never left without the salt it names. */
const LEAST_SALT = 0.0005;

/** Lines with more or less salt, as a share of flour; several salts change in proportion. */
export function withSalt(
  lines: readonly ResolvedLine[],
  adjustments: readonly Adjustment[] | undefined,
): ResolvedLine[] {
  const share = sumOf(adjustments ?? [], 'salt') * POINT;
  const inAll = lines.reduce((sum, { food, fraction }) => sum + (food.kind === 'salt' ? fraction : 0), 0);
  if (share === 0 || inAll === 0) return [...lines];
  const factor = Math.max(LEAST_SALT, inAll + share) / inAll;
  return lines.map((line) =>
    line.food.kind === 'salt' ? { ...line, fraction: line.fraction * factor } : line,
  );
}

interface Range {
  min: number;
  max: number;
}
const within = ({ min, max }: Range, value: number): number => Math.min(max, Math.max(min, value));

/** The method, griddle and bread of a formula as the changes want them. */
export function adjustedFormula(formula: Formula, adjustments: readonly Adjustment[]): Formula {
  if (adjustments.length === 0) return formula;
  const { method, bake, product } = formula;
  const [restS, kneadS, plateC, sideS, thickerMm] = [
    sumOf(adjustments, 'rest') * S_PER_MIN,
    sumOf(adjustments, 'knead'),
    sumOf(adjustments, 'plate'),
    sumOf(adjustments, 'sides'),
    sumOf(adjustments, 'thickness'),
  ];
  const restsBeforeS = method.rests.slice(0, -1).reduce((sum, { earliestS }) => sum + earliestS, 0);
  const leastS = (lastOf(adjustments, 'least-rest') ?? 0) * S_PER_MIN - restsBeforeS;
  const {
    workS,
    restS: restLimit,
    plateC: plateLimit,
    sideS: sideLimit,
    thicknessMm: thickLimit,
  } = LIMITS_OF;
  const longer = (s: number, by: number, { min, max }: Range) => within({ min, max }, Math.round(s + by));
  return {
    ...formula,
    method: {
      ...method,
      knead: {
        ...method.knead,
        minS: longer(method.knead.minS, kneadS, workS),
        maxS: longer(method.knead.maxS, kneadS, { ...workS, min: 1 }),
      },
      rests: method.rests.map((rest, index) => {
        if (index < method.rests.length - 1) return rest;
        const earliestS = within(
          restLimit,
          Math.max(longer(rest.earliestS, restS, restLimit), Math.round(leastS)),
        );
        return {
          ...rest,
          earliestS,
          latestS: Math.max(rest.latestS, earliestS, longer(rest.latestS, restS, restLimit)),
        };
      }),
    },
    bake: {
      ...bake,
      plateC: within(plateLimit, bake.plateC + plateC),
      sides: bake.sides.map((side) => ({
        ...side,
        seconds: longer(side.seconds, sideS, { ...sideLimit, min: SHORTEST_SIDE_S }),
      })),
    },
    product: { ...product, thicknessMm: within(thickLimit, product.thicknessMm + thickerMm) },
  };
}
