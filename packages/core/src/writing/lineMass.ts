import { type Quantity, type Words, message } from '../message/message';
import type { FillMethod, Ingredient } from '../ingredient/ingredientSchema';
import { type Interval, exactly, scaled, times } from '../quantity/interval';
import type { Asking } from './asking';
import type { Hints } from './hints';
import type { SaidAmount } from './amountAt';
import type { LineResult, ReadLine } from './readListTypes';

type Density = NonNullable<Ingredient['densities']>[number];

const FILL_WORDS: Record<FillMethod, string> = {
  sifted: 'sifted in',
  spooned: 'spooned in',
  scooped: 'scooped',
  packed: 'packed down',
  level: 'level',
  poured: 'poured',
  melted: 'melted',
};

/** The fills that are asked about; sifting is taken only when the line says it. */
const ASKED_FILLS: readonly FillMethod[] = ['spooned', 'scooped', 'packed', 'melted', 'level', 'poured'];
const ML_PER_FL_OZ = 29.5735;
const G_PER_OZ = 28.3495;

/** A measure may be so much off before its weight is called another amount. */
const AGREES = { low: 0.9, high: 1.1 } as const;

/**
 * A measure and a weight of the same thing: the weight counts, if both can be true. Where they cannot it is asked.
 * @returns the one that counts
 */
export function settleTwice(
  asking: Asking,
  amount: SaidAmount,
  other: SaidAmount | null,
  food: Ingredient,
): SaidAmount {
  if (!other || other.of === 'piece' || amount.of === 'percent' || other.of === 'percent') return amount;
  const mass = massRange(amount, food);
  const again = massRange(other, food);
  if (!mass || !again) return amount;
  const agree = mass.low <= again.high * AGREES.high && mass.high >= again.low * AGREES.low;
  if (agree) return amount;
  const chosen = asking.ask(
    'twice',
    message('{words} and {words2} do not agree: which one counts?', {
      words: { name: amount.words },
      words2: { name: other.words },
    }),
    [
      { id: 'first', words: amount.words },
      { id: 'second', words: other.words },
    ],
  );
  return chosen === 'second' ? other : amount;
}

/** All that an amount can weigh, however it was filled, g. */
function massRange({ of, low, high }: SaidAmount, food: Ingredient): { low: number; high: number } | null {
  if (of === 'mass') return { low: low.low, high: high.high };
  const ways = food.densities ?? [];
  if (of !== 'volume' || ways.length === 0) return null;
  return {
    low: low.low * Math.min(...ways.map((way) => way.low)),
    high: high.high * Math.max(...ways.map((way) => way.high)),
  };
}

/** Shares of flour offered when a line says no amount, by kind; null is "leave it out". */
const USUAL_SHARES: Record<Ingredient['kind'], readonly number[]> = {
  flour: [],
  water: [0.5, 0.55, 0.6],
  dairy: [0.1, 0.3, 0.55],
  fat: [0.05, 0.1, 0.15],
  salt: [0.015, 0.018, 0.02],
  leavener: [0.01, 0.02],
  sugar: [0.01, 0.02],
  egg: [0.1],
  other: [0.01, 0.02],
};
const USUAL_FLOUR_G = [500, 1000, 2000] as const;

const percent = (fraction: number) =>
  message('{percent} % of flour', { percent: { figure: fraction * 100, most: 1 } });
const grams = (massG: number): Quantity => ({ g: massG, stepG: massG < 10 ? 0.1 : 1 });

/** Settles what the figure itself leaves open: a thousand or one, weight or fluid ounces. */
export function settleAmount(asking: Asking, amount: SaidAmount, food: Ingredient): SaidAmount {
  let settled = amount;
  if (amount.orTimes) {
    const factor = amount.orTimes;
    const said = (size: number): Words =>
      message(amount.of === 'mass' ? '{size} g' : '{size} ml', { size: { figure: size, most: 3 } });
    const many = asking.ask(
      'thousand',
      message('“{words}”: which is meant?', { words: { name: amount.words } }),
      [
        { id: 'thousand', words: said(amount.low.typical * factor) },
        { id: 'one', words: said(amount.low.typical) },
      ],
    );
    if (many === 'thousand') {
      settled = { ...amount, low: scaled(amount.low, factor), high: scaled(amount.high, factor) };
    }
  }
  const pourable = food.densities?.some(({ fill }) => fill === 'poured') ?? false;
  if (settled.ounce && pourable) {
    const kind = asking.ask('ounce', 'Ounces on the scale or in the jug?', [
      { id: 'weight', words: message('by weight, {grams}', { grams: grams(settled.high.typical) }) },
      {
        id: 'fluid',
        words: message('fluid ounces, {typical, number} ml', {
          typical: Math.round((settled.high.typical / G_PER_OZ) * ML_PER_FL_OZ),
        }),
      },
    ]);
    const toMl = ML_PER_FL_OZ / G_PER_OZ;
    if (kind === 'fluid') {
      settled = {
        ...settled,
        of: 'volume',
        low: scaled(settled.low, toMl),
        high: scaled(settled.high, toMl),
      };
    }
  }
  return settled;
}

/** A range of something dry or fat: which end is meant is the cook's to say. */
export function rangeOf(asking: Asking, amount: SaidAmount): Interval {
  const between = (end: keyof Interval) => (amount.low[end] + amount.high[end]) / 2;
  const middle = { low: between('low'), typical: between('typical'), high: between('high') };
  const chosen = asking.ask(
    'range',
    message('“{words}”: how much do you use?', { words: { name: amount.words } }),
    [
      { id: 'low', words: 'the lower' },
      { id: 'middle', words: 'the middle' },
      { id: 'high', words: 'the higher' },
    ],
  );
  return chosen === 'low' ? amount.low : chosen === 'high' ? amount.high : middle;
}

/** What a measure itself leaves open, as shares of the typical. */
export const looseOf = (size: Interval) => ({ low: size.low / size.typical, high: size.high / size.typical });

/**
 * While nobody said how a measure was filled all ways count: from the least of the loosest to the most of a scoop, or to a
 * packed one, whichever is more.
 */
function openDensity(ways: readonly Density[], first: Density): Interval {
  return {
    low: Math.min(...ways.map(({ low }) => low)),
    typical: first.typical,
    high: Math.max(...ways.map(({ fill, typical, high }) => (fill === 'packed' ? typical : high))),
  };
}

/** Mass of a volume, by the way it was filled. */
export function massOfVolume(
  asking: Asking,
  line: ReadLine,
  amount: SaidAmount,
  size: Interval,
  hints: Hints,
): void {
  const densities = line.food.densities ?? [];
  const said = fillSaid(hints, line.food);
  const asked = densities.filter(({ fill }) => ASKED_FILLS.includes(fill)).slice(0, 3);
  const fill =
    said ??
    (asked.length <= 1
      ? asked[0]?.fill
      : asking.ask(
          'fill',
          message('How is the {name} measured?', { name: { lower: line.food.name } }),
          asked.map(({ fill: way, typical }) => ({
            id: way,
            words: message('{fill}, {mass}', { fill: FILL_WORDS[way], mass: grams(size.typical * typical) }),
          })),
        ));
  const density = densities.find((d) => d.fill === fill);
  if (!density) {
    line.questions.push({
      key: asking.key('amount'),
      kind: 'amount',
      ask: message('What {name} weighs by volume is not known here; give its weight, or add its density.', {
        name: { lower: line.food.name },
      }),
      answers: [],
    });
    line.mass = scaled(size, 1);
    return;
  }
  line.fill = density.fill;
  line.mass = times(size, asking.isAnswered('fill') ? density : openDensity(asked, density));
  line.measure = {
    text: `${amount.words}${densities.length > 1 ? `, ${FILL_WORDS[density.fill]}` : ''}`,
    fill: density.fill,
    gMl: density.typical,
    ...(size.low < size.high ? { loose: looseOf(size) } : {}),
  };
}

/** A fill counts only where the ingredient knows it; a fat melted after measuring was measured as it was. */
function fillSaid(hints: Hints, food: Ingredient): FillMethod | undefined {
  const known = (fill: FillMethod | null) => food.densities?.find((density) => density.fill === fill)?.fill;
  return known(hints.fill) ?? (hints.meltedFirst ? known('melted') : undefined);
}

/** Mass of what is counted, by what one piece weighs. */
export function massOfPieces(asking: Asking, line: ReadLine, amount: SaidAmount, size: Interval): void {
  const pieces = line.food.pieces ?? [];
  const inName = pieces.find(({ name }) => new RegExp(`\\b${name}\\b`, 'i').test(line.text));
  const named = pieces.find(({ name }) => name === amount.piece) ?? inName;
  const fallback = amount.piece ? [] : pieces.slice(0, 3);
  if (!named && fallback.length === 0) {
    withoutAmount(asking, line);
    return;
  }
  const piece =
    named ??
    pieces.find(
      ({ name }) =>
        name ===
        (fallback.length === 1
          ? fallback[0]?.name
          : asking.ask(
              'piece',
              message('What size is one {name}?', { name: { lower: line.food.name } }),
              fallback.map((p) => ({
                id: p.name,
                words: message('{piece}, {mass}', { piece: p.name, mass: grams(p.typicalG) }),
              })),
            )),
    );
  if (!piece) return;
  line.mass = times(size, { low: piece.lowG, typical: piece.typicalG, high: piece.highG });
  line.measure = {
    text: amount.words + (amount.piece ? '' : ` ${piece.name}`),
    piece: piece.name,
    gEach: piece.typicalG,
    ...(size.low < size.high ? { loose: looseOf(size) } : {}),
  };
}

/** "Salt to taste", "some oil": how much is asked, with the trade's usual shares as answers. */
export function withoutAmount(asking: Asking, line: ReadLine): LineResult {
  const shares = USUAL_SHARES[line.food.kind];
  const answers = (
    line.food.kind === 'flour'
      ? USUAL_FLOUR_G.map((massG) => ({ id: `${massG}g`, words: { g: massG } }))
      : [
          ...shares.map((share) => ({ id: `${share}`, words: percent(share) })),
          { id: 'leave-out', words: 'leave it out' },
        ]
  ).slice(0, 3 + (shares.length > 2 ? 1 : 0));
  const chosen = asking.ask(
    'amount',
    message('How much {name}?', { name: { lower: line.food.name } }),
    answers,
  );
  if (chosen === 'leave-out') return { as: 'left-out' };
  if (chosen.endsWith('g')) line.mass = exactly(Number(chosen.slice(0, -1)));
  else line.fraction = Number(chosen);
  return { as: 'line', line };
}
