import type { FillMethod, Ingredient } from '../ingredient/ingredientSchema';
import type { Measures } from '../quantity/units';
import { type Hints, readHints } from './hints';
import { type Interval, exactly, scaled, times } from '../quantity/interval';
import { type Match, matchIngredient } from './matchIngredient';
import { type SaidAmount, readAmount } from './readAmount';
import type { Answers, Question, QuestionKind, ReadLine } from './readListTypes';
import { tidyLine } from './tidyLine';

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

const percent = (fraction: number) => `${Number((fraction * 100).toFixed(1))} % of flour`;
const grams = (massG: number) => `${massG < 10 ? massG.toFixed(1) : Math.round(massG)} g`;

export interface LineInput {
  index: number;
  text: string;
  /** Tells lines of the same words apart. */
  occurrence: number;
  foods: readonly Ingredient[];
  measures: Measures;
  answers: Answers;
}

export type LineResult =
  | { as: 'line'; line: ReadLine }
  | { as: 'unknown'; key: string; ask: string }
  | { as: 'left-out' }
  | { as: 'words'; hasAmount: boolean; named: boolean };

/** Collects the questions of one line and gives the standing answer to each. */
class Asking {
  readonly questions: Question[] = [];
  constructor(
    private readonly stem: string,
    private readonly answers: Answers,
  ) {}

  key(kind: QuestionKind): string {
    return `${this.stem}#${kind}`;
  }

  /** The answer in force: the one given, or the first while the question is open. */
  ask(
    kind: QuestionKind,
    ask: string,
    answers: Question['answers'],
    valid?: (id: string) => boolean,
  ): string {
    const key = this.key(kind);
    const given = this.answers[key];
    if (given !== undefined && (answers.some(({ id }) => id === given) || valid?.(given))) return given;
    this.questions.push({ key, kind, ask, answers });
    return answers[0]?.id ?? '';
  }
}

/** Reads one line of a list. What it cannot know it asks; an answer given for the question is used. */
export function readLine(input: LineInput): LineResult {
  const tidy = tidyLine(input.text);
  const { amount, rest } = readAmount(tidy, input.measures);
  const hints = readHints(rest);
  const [named = '', ...remarks] = splitName(hints.rest);
  const stem = `${tidy.toLowerCase()}${input.occurrence > 0 ? `~${input.occurrence}` : ''}`;
  const asking = new Asking(stem, input.answers);
  const match = matchIngredient(named, input.foods);
  if (match.found === 'none' || (match.found === 'some' && !amount && match.ask.startsWith('There is no'))) {
    if (!amount || amount.of === 'piece') return { as: 'words', hasAmount: false, named: false };
    return unknownLine(input, asking, named || input.text, amount, hints, remarks);
  }
  return lineOf(input, asking, match, amount, hints, remarks);
}

/** The name comes before the first comma or bracket; what follows is a remark. */
function splitName(text: string): string[] {
  return text
    .replace(/[([]\s*[)\]]/g, ' ')
    .split(/[,(){}[\]:]|\s-\s|\s-$|^-\s|\.{2,}/)
    .map((part) => part.replace(/^[\s\-–.]+|[\s\-–.]+$/g, ''))
    .filter((part) => part !== '' && !/^(?:or|and|plus|&|\+)$/i.test(part));
}

function unknownLine(
  input: LineInput,
  asking: Asking,
  name: string,
  amount: SaidAmount,
  hints: Hints,
  remarks: string[],
): LineResult {
  const key = asking.key('ingredient');
  const given = input.answers[key];
  if (given === 'leave-out') return { as: 'left-out' };
  const food = input.foods.find(({ id }) => id === given);
  if (food) return lineOf(input, asking, { found: 'one', food, left: [] }, amount, hints, remarks);
  return { as: 'unknown', key, ask: `There is no “${name.trim()}” in this kitchen. What is it?` };
}

function chooseFood(
  input: LineInput,
  asking: Asking,
  match: Exclude<Match, { found: 'none' }>,
  amount: SaidAmount | null,
): Ingredient | null {
  const byId = (id: string) => input.foods.find((food) => food.id === id);
  if (match.found === 'one') return byId(input.answers[asking.key('ingredient')] ?? '') ?? match.food;
  const exact = amount && (amount.of === 'mass' || amount.of === 'percent') && !amount.ounce;
  if (match.byWeight && exact) return byId(input.answers[asking.key('ingredient')] ?? '') ?? match.byWeight;
  const chosen = asking.ask(
    'ingredient',
    match.ask,
    match.foods.map(({ id, name }) => ({ id, words: name })),
    (id) => id === 'leave-out' || byId(id) !== undefined,
  );
  return chosen === 'leave-out' ? null : (byId(chosen) ?? null);
}

function lineOf(
  input: LineInput,
  asking: Asking,
  match: Exclude<Match, { found: 'none' }>,
  saidAmount: SaidAmount | null,
  hints: Hints,
  remarks: string[],
): LineResult {
  // "Flour for dusting" is no part of the dough, whether or not it says how much.
  if (hints.aside === 'dusting' || hints.aside === 'pan') {
    const kept = asking.ask('aside', 'Does it go into the dough?', [
      { id: 'out', words: 'No, leave it out' },
      { id: 'in', words: 'Yes, count it' },
    ]);
    if (kept === 'out' && asking.questions.length === 0) return { as: 'left-out' };
    if (kept === 'out') return asideLine(input, asking, match, hints);
  }
  const food = chooseFood(input, asking, match, saidAmount);
  if (!food) return { as: 'left-out' };
  const left = match.found === 'one' ? match.left : [];
  const note = [...left, ...remarks, ...hints.notes].join(', ').slice(0, 120);
  const line: ReadLine = {
    index: input.index,
    text: input.text,
    food,
    said: saidAmount,
    fill: null,
    tempC: tempOf(asking, hints),
    state: food.kind === 'fat' ? hints.state : null,
    note,
    mass: null,
    fraction: null,
    holdBack: 0,
    measure: null,
    questions: asking.questions,
  };
  const amount = saidAmount && settleAmount(asking, saidAmount, food);
  if (!amount) return withoutAmount(asking, line);
  const wet = food.kind === 'water' || food.kind === 'dairy';
  const ranged = amount.high.typical > amount.low.typical;
  let size = amount.high;
  if (ranged && wet) line.holdBack = 1 - amount.low.typical / amount.high.typical;
  else if (ranged) size = rangeOf(asking, amount);

  if (amount.of === 'percent') line.fraction = size.typical / 100;
  else if (amount.of === 'mass') {
    line.mass = size;
    if (size.low < size.high) line.measure = { text: amount.words, loose: looseOf(size) };
  } else if (amount.of === 'volume') massOfVolume(asking, line, amount, size, hints);
  else massOfPieces(asking, line, amount, size);
  return { as: 'line', line };
}

/** While it is open whether bench flour counts, it stands at nothing. */
function asideLine(
  input: LineInput,
  asking: Asking,
  match: Exclude<Match, { found: 'none' }>,
  hints: Hints,
): LineResult {
  const food = match.found === 'one' ? match.food : match.foods[0];
  if (!food) return { as: 'left-out' };
  const line: ReadLine = {
    index: input.index,
    text: input.text,
    food,
    said: null,
    fill: null,
    tempC: null,
    state: null,
    note: hints.notes.join(', '),
    mass: exactly(0),
    fraction: null,
    holdBack: 0,
    measure: null,
    questions: asking.questions,
  };
  return { as: 'line', line };
}

function tempOf(asking: Asking, hints: Hints): number | null {
  if (hints.tempUnsure === null) return hints.tempC;
  const said = hints.tempUnsure;
  const scale = asking.ask('temperature', `${said} degrees: which scale?`, [
    { id: 'C', words: `${said} °C` },
    { id: 'F', words: `${said} °F` },
  ]);
  return scale === 'C' ? said : Math.round(((said - 32) * 5) / 9);
}

/** Settles what the figure itself leaves open: a thousand or one, weight or fluid ounces. */
function settleAmount(asking: Asking, amount: SaidAmount, food: Ingredient): SaidAmount {
  let settled = amount;
  if (amount.orTimes) {
    const factor = amount.orTimes;
    const many = asking.ask('thousand', `“${amount.words}”: which is meant?`, [
      {
        id: 'thousand',
        words: grams(amount.low.typical * factor).replace(' g', amount.of === 'mass' ? ' g' : ' ml'),
      },
      { id: 'one', words: `${amount.low.typical} ${amount.of === 'mass' ? 'g' : 'ml'}` },
    ]);
    if (many === 'thousand') {
      settled = { ...amount, low: scaled(amount.low, factor), high: scaled(amount.high, factor) };
    }
  }
  const pourable = food.densities?.some(({ fill }) => fill === 'poured') ?? false;
  if (settled.ounce && pourable) {
    const kind = asking.ask('ounce', 'Ounces on the scale or in the jug?', [
      { id: 'weight', words: `by weight, ${grams(settled.high.typical)}` },
      {
        id: 'fluid',
        words: `fluid ounces, ${Math.round((settled.high.typical / G_PER_OZ) * ML_PER_FL_OZ)} ml`,
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
function rangeOf(asking: Asking, amount: SaidAmount): Interval {
  const middle = scaled(amount.low, (amount.low.typical + amount.high.typical) / 2 / amount.low.typical);
  const chosen = asking.ask('range', `“${amount.words}”: how much do you use?`, [
    { id: 'low', words: 'the lower' },
    { id: 'middle', words: 'the middle' },
    { id: 'high', words: 'the higher' },
  ]);
  return chosen === 'low' ? amount.low : chosen === 'high' ? amount.high : middle;
}

const looseOf = (size: Interval) => ({ low: size.low / size.typical, high: size.high / size.typical });

function massOfVolume(
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
          `How is the ${line.food.name.toLowerCase()} measured?`,
          asked.map(({ fill: way, typical }) => ({
            id: way,
            words: `${FILL_WORDS[way]}, ${grams(size.typical * typical)}`,
          })),
        ));
  const density = densities.find((d) => d.fill === fill);
  if (!density) {
    line.questions.push({
      key: asking.key('amount'),
      kind: 'amount',
      ask: `What ${line.food.name.toLowerCase()} weighs by volume is not known here; give its weight, or add its density.`,
      answers: [],
    });
    line.mass = scaled(size, 1);
    return;
  }
  line.fill = density.fill;
  line.mass = times(size, density);
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

function massOfPieces(asking: Asking, line: ReadLine, amount: SaidAmount, size: Interval): void {
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
              `What size is one ${line.food.name.toLowerCase()}?`,
              fallback.map((p) => ({ id: p.name, words: `${p.name}, ${grams(p.typicalG)}` })),
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
function withoutAmount(asking: Asking, line: ReadLine): LineResult {
  const shares = USUAL_SHARES[line.food.kind];
  const answers = (
    line.food.kind === 'flour'
      ? USUAL_FLOUR_G.map((massG) => ({ id: `${massG}g`, words: `${massG} g` }))
      : [
          ...shares.map((share) => ({ id: `${share}`, words: percent(share) })),
          { id: 'leave-out', words: 'leave it out' },
        ]
  ).slice(0, 3 + (shares.length > 2 ? 1 : 0));
  const chosen = asking.ask('amount', `How much ${line.food.name.toLowerCase()}?`, answers);
  if (chosen === 'leave-out') return { as: 'left-out' };
  if (chosen.endsWith('g')) line.mass = exactly(Number(chosen.slice(0, -1)));
  else line.fraction = Number(chosen);
  return { as: 'line', line };
}
