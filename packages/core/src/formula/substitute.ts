import { type Words, message } from '../message/message';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { InputError } from '../message/problem';
import type { Formula, FormulaLine, ResolvedLine } from './formulaSchema';
import { DEFAULT_FLOUR_G } from './formulaFacts';
import { doughTotals } from './percentages';
import { resolveLines } from './resolveLines';
import { freeId } from './slug';

/** One exchange of an ingredient. Effective hydration and fat are kept unless `keep` is false. */
export interface Swap {
  /** Line that gives way. */
  lineId: string;
  /** Ingredient that takes its place. */
  to: string;
  /** Share of the line that is exchanged, above 0 to 1. */
  share: number;
  keep: boolean;
}

export interface SwapResult {
  formula: Formula;
  /** What changes in the bread and at the bench, in a cook's words. */
  consequences: Words[];
}

export type SwapKind = 'fat' | 'liquid' | 'salt' | 'flour' | 'leavener' | 'milk powder';

const POWDERS: ReadonlySet<string> = new Set(['milk-powder', 'milk-powder-whole']);
/** Leaveners by strength: how much of each does the same work. Chemical and yeast doughs are two breads, not one. */
const LEAVENERS: Record<string, { group: 'chemical' | 'yeast'; amount: number }> = {
  'baking-powder': { group: 'chemical', amount: 3 },
  'baking-soda': { group: 'chemical', amount: 1 },
  'yeast-dry': { group: 'yeast', amount: 1 },
  'yeast-active-dry': { group: 'yeast', amount: 1.25 },
  'yeast-fresh': { group: 'yeast', amount: 3 },
};
const SOUR: ReadonlySet<string> = new Set([
  'yogurt-plain',
  'yogurt-strained',
  'yogurt-lowfat',
  'buttermilk',
  'kefir',
  'cream-sour',
  'vinegar',
  'lemon-juice',
  'cream-of-tartar',
  'sourdough',
]);
const isPowder = ({ id }: Ingredient) => POWDERS.has(id);
const isLiquid = (food: Ingredient) => food.kind === 'water' || (food.kind === 'dairy' && !isPowder(food));

/** Which exchange two ingredients are; null when the one does not do the other's work. */
function swapKind(from: Ingredient, to: Ingredient): SwapKind | null {
  if (from.id === to.id) return null;
  if (from.kind === 'fat' && to.kind === 'fat') return 'fat';
  if (from.kind === 'salt' && to.kind === 'salt') return 'salt';
  if (from.kind === 'flour' && to.kind === 'flour') return 'flour';
  if (isLiquid(from) && isLiquid(to)) return 'liquid';
  if ((isPowder(from) && isLiquid(to) && to.kind === 'dairy') || (isPowder(to) && from.kind === 'dairy')) {
    return isPowder(from) && isPowder(to) ? null : 'milk powder';
  }
  const [a, b] = [LEAVENERS[from.id], LEAVENERS[to.id]];
  return a && b && a.group === b.group ? 'leavener' : null;
}

/**
 * The ingredients that could take the place of one.
 * @param from the ingredient that leaves
 * @param foods ingredients of the kitchen
 * @returns the likeliest first
 */
export const swapsFor = (from: Ingredient, foods: readonly Ingredient[]): Ingredient[] =>
  foods.filter((to) => !to.hidden && swapKind(from, to) !== null);

const percent = (fraction: number): Words =>
  message('{figure} %', { figure: { figure: Math.abs(fraction) * 100, most: 1 } });
const solids = ({ water, fat }: Ingredient) => 1 - water - fat;
/** Shares below this are rounding, not an ingredient. */
const NOTHING = 1e-6;

/** The lines being changed, with what could not be done said. */
class Bench {
  lines: FormulaLine[];
  readonly said: Words[] = [];
  constructor(
    lines: readonly FormulaLine[],
    private readonly foods: ReadonlyMap<string, Ingredient>,
  ) {
    this.lines = [...lines];
  }

  /** Changes an ingredient's share; a line comes, at its place, or goes. Gives what could not be taken. */
  add(ingredient: string, fraction: number, place = this.lines.length): number {
    const at = this.lines.findIndex((line) => line.ingredient === ingredient);
    const line = this.lines[at];
    if (!line) {
      if (fraction <= NOTHING) return fraction < -NOTHING ? fraction : 0;
      const id = freeId(ingredient, new Set(this.lines.map((other) => other.id)));
      this.lines.splice(place, 0, { id, ingredient, fraction });
      return 0;
    }
    const { measure, ...kept } = line;
    const after = line.fraction + fraction;
    if (after > NOTHING) this.lines[at] = { ...kept, fraction: after };
    else this.lines.splice(at, 1);
    return Math.min(0, after);
  }

  /** Gives or takes water, in the line that is water. */
  water(fraction: number): void {
    const line = this.lines.find(({ ingredient }) => this.foods.get(ingredient)?.kind === 'water');
    const short = this.add(line?.ingredient ?? 'water', fraction);
    if (short < -NOTHING)
      this.said.push(
        message('There is not enough water to take off: the dough gets {percent} wetter.', {
          percent: percent(short),
        }),
      );
  }

  /** Gives or takes pure fat, in the first fat of the formula. */
  fat(fraction: number): void {
    if (Math.abs(fraction) <= NOTHING) return;
    const line = this.lines.find(({ ingredient }) => this.foods.get(ingredient)?.kind === 'fat');
    const food = line && this.foods.get(line.ingredient);
    if (!line || !food) {
      this.said.push(
        fraction < 0
          ? message('It brings {percent} fat that nothing else can give up: a softer, richer bread.', {
              percent: percent(fraction),
            })
          : message('{percent} of fat goes with it; the formula has no other fat to make up for it.', {
              percent: percent(fraction),
            }),
      );
      return;
    }
    const mass = fraction / food.fat;
    const short = this.add(line.ingredient, mass);
    this.water(-(mass - short) * food.water);
    if (short < -NOTHING)
      this.said.push(
        message('The {name} is used up; effective fat rises by {percent}.', {
          name: { lower: food.name },
          percent: percent(short * food.fat),
        }),
      );
  }
}

/**
 * Exchanges one ingredient for another with what follows from it: the water of butter, the smaller weight of oil,
 * the water that wholemeal drinks, the solids of milk.
 * m_B = m_A·f_A/f_B for fats; water by m·w; milk and powder by their solids without fat; flour by absorption.
 * @param formula the formula
 * @param swap what for what
 * @param foods ingredients of the kitchen
 * @returns the formula as it would be, with what follows in words
 * @throws InputError when the one cannot stand in for the other, or the share is out of range
 */
export function substitute(formula: Formula, swap: Swap, foods: readonly Ingredient[]): SwapResult {
  const lines = resolveLines(formula, foods);
  const line = lines.find(({ id }) => id === swap.lineId);
  if (!line) throw InputError.at('lineId', message('There is no line “{lineId}”.', { lineId: swap.lineId }));
  const byId = new Map([...foods, ...(formula.ingredients ?? [])].map((food) => [food.id, food]));
  const to = byId.get(swap.to);
  if (!to)
    throw InputError.at('to', message('There is no ingredient “{to}” in this kitchen.', { to: swap.to }));
  const kind = swapKind(line.food, to);
  if (!kind)
    throw InputError.at(
      'to',
      message('{name} cannot do the work of {name2} here.', {
        name: to.name,
        name2: { lower: line.food.name },
      }),
    );
  if (!(swap.share > 0 && swap.share <= 1))
    throw InputError.at('share', 'The share must be above 0 and at most 100 %.');
  if (kind === 'fat' && !(to.fat > 0))
    throw InputError.at('to', message('{name} has no fat.', { name: to.name }));

  const bench = new Bench(formula.lines, byId);
  exchange(bench, kind, line, to, swap);
  const changed: Formula = { ...formula, lines: bench.lines };
  return {
    formula: changed,
    consequences: [
      ...consequencesOf(kind, line, to, swap, formula),
      ...bench.said,
      ...changesOf(lines, resolveLines(changed, foods)),
    ],
  };
}

function exchange(bench: Bench, kind: SwapKind, line: ResolvedLine, to: Ingredient, swap: Swap): void {
  const from = line.food;
  const out = line.fraction * swap.share;
  const place = bench.lines.findIndex(({ id }) => id === line.id);
  bench.add(from.id, -out);
  const brings: Record<SwapKind, () => number> = {
    fat: () => (swap.keep ? (out * from.fat) / to.fat : out),
    liquid: () => (swap.keep ? (out * from.water) / to.water : out),
    salt: () => out,
    flour: () => out,
    leavener: () => (out * (LEAVENERS[to.id]?.amount ?? 1)) / (LEAVENERS[from.id]?.amount ?? 1),
    'milk powder': () => (out * solids(from)) / solids(to),
  };
  const into = brings[kind]();
  bench.add(to.id, into, swap.share < 1 ? place + 1 : place);
  if (!swap.keep) return;
  if (kind === 'flour') {
    bench.water(out * ((to.absorption ?? from.absorption ?? 0) - (from.absorption ?? to.absorption ?? 0)));
    return;
  }
  bench.water(out * from.water - into * to.water);
  if (kind !== 'fat') bench.fat(out * from.fat - into * to.fat);
}

/** What the exchange means at the bench and on the plate, from what the two ingredients are. */
function consequencesOf(
  kind: SwapKind,
  line: ResolvedLine,
  to: Ingredient,
  swap: Swap,
  formula: Formula,
): Words[] {
  const from = line.food;
  const said: Words[] = [];
  if (kind === 'fat') {
    if (from.at20 !== 'liquid' && to.at20 === 'liquid') {
      said.push(
        'Liquid for solid: whisk it into the water. The bread is tender but less flaky, and hardens sooner when overcooked.',
      );
    }
    if (from.at20 === 'liquid' && to.at20 !== 'liquid') {
      said.push('Solid for liquid: rub it in or melt it first. Flakier, and the bread stays pliable longer.');
    }
    if (from.allergens.includes('milk') && from.water > 0 && to.water === 0)
      said.push('Without the milk of the butter it browns later and tastes plainer.');
    if (to.allergens.includes('milk') && to.water > 0 && from.water === 0)
      said.push('The milk in butter browns early: watch the first side.');
    if (from.water > 0 && to.water === 0)
      said.push('The water that was in the butter is added to the water line.');
  }
  if (kind === 'liquid' && to.kind === 'dairy' && from.kind === 'water') {
    said.push(
      'Milk sugar browns sooner: expect colour about a third earlier, or a plate some 10 °C cooler. The crumb is softer.',
    );
    if (SOUR.has(to.id))
      said.push('Sour: the dough gets slacker as it rests, and soda has something to work with.');
    said.push(
      'The dough is perishable now: keep it cold and limit its time in the warm by your local food code.',
    );
  }
  if (kind === 'liquid' && from.kind === 'dairy' && to.kind === 'water')
    said.push('Less milk sugar: it browns later and is plainer.');
  if (kind === 'salt') said.push(saltWords(line, to, formula));
  if (kind === 'flour') {
    const drink = ((to.absorption ?? 0) - (from.absorption ?? 0)) * line.fraction * swap.share;
    if (Math.abs(drink) > 0.001)
      said.push(
        drink > 0
          ? message('{name} absorbs more: {percent} of flour more water. Judge it after the rest.', {
              ...{ name: to.name, percent: percent(drink) },
            })
          : message('{name} absorbs less: {percent} of flour less water. Judge it after the rest.', {
              ...{ name: to.name, percent: percent(drink) },
            }),
      );
    if (to.rolls && to.rolls !== 'well')
      said.push(to.note ?? message('{name} does not roll like wheat.', { name: to.name }));
    if ((to.absorption ?? 0) > (from.absorption ?? 0) + 0.03 && to.rolls !== 'no')
      said.push('Bran cuts the sheet: rest it longer.');
  }
  if (kind === 'leavener') {
    const sour = formula.lines.some(({ ingredient }) => SOUR.has(ingredient));
    if (to.id === 'baking-soda' && !sour)
      said.push(
        'Soda needs something sour, and this formula has nothing: it will not rise and tastes of soap.',
      );
    if (to.id === 'baking-powder')
      said.push('Powder works a second time on the plate: bake within the hour or two that the rest allows.');
    if (LEAVENERS[to.id]?.group === 'yeast')
      said.push('Same rise, other pace: watch the dough, not the clock.');
  }
  if (kind === 'milk powder')
    said.push(
      isPowder(to)
        ? 'Powder and water for milk: stir the powder into the flour.'
        : 'Milk for powder and water.',
    );
  return said;
}

function saltWords(line: ResolvedLine, to: Ingredient, formula: Formula): Words {
  const massG = line.fraction * (formula.flourG ?? DEFAULT_FLOUR_G);
  const spoons = (food: Ingredient) => {
    const density = food.densities?.[0]?.typical;
    return density ? { ml: massG / density } : 'an unknown spoon';
  };
  return message('The same {mass} is {spoons} of {name} and {spoons2} of {name2}. Weigh it.', {
    mass: { g: massG, stepG: 0.1 },
    spoons: spoons(line.food),
    name: { lower: line.food.name },
    spoons2: spoons(to),
    name2: { lower: to.name },
  });
}

/** Allergens that come or go, and totals that did not stay. */
function changesOf(before: readonly ResolvedLine[], after: readonly ResolvedLine[]): Words[] {
  const names = (lines: readonly ResolvedLine[]) => new Set(lines.flatMap(({ food }) => food.allergens));
  const [was, is] = [names(before), names(after)];
  const fresh = [...is].filter((name) => !was.has(name));
  const gone = [...was].filter((name) => !is.has(name));
  const totals = (lines: readonly ResolvedLine[]) =>
    doughTotals(lines.map(({ fraction, food }) => ({ mass: fraction, food })));
  const heavier = totals(after).doughPerFlour / totals(before).doughPerFlour - 1;
  return [
    ...(fresh.length > 0
      ? [
          message('New allergen: {fresh}. Tell the counter and change the label.', {
            fresh: { list: fresh },
          }),
        ]
      : []),
    ...(gone.length > 0
      ? [
          message('No longer contains {gone}; traces from the bench remain possible.', {
            gone: { list: gone },
          }),
        ]
      : []),
    ...(Math.abs(heavier) > 0.002
      ? [
          message('The dough is {percent} {heavier} for the same flour.', {
            percent: percent(heavier),
            heavier: heavier > 0 ? 'heavier' : 'lighter',
          }),
        ]
      : []),
  ];
}
