import type { OnBreadWhen } from '../formula/onBreadWhen';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { exactly } from '../quantity/interval';
import type { Measures } from '../quantity/units';
import { Asking } from './asking';
import { type Hints, readHints } from './hints';
import { looseOf, massOfPieces, massOfVolume, rangeOf, settleAmount, withoutAmount } from './lineMass';
import { type Match, matchIngredient } from './matchIngredient';
import { type SaidAmount, readAmount } from './readAmount';
import type { Answers, LineResult, ReadLine } from './readListTypes';
import { tidyLine } from './tidyLine';

export interface LineInput {
  index: number;
  text: string;
  /** Tells lines of the same words apart. */
  occurrence: number;
  foods: readonly Ingredient[];
  measures: Measures;
  answers: Answers;
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
  // "Flour for dusting" is no part of the dough, whether or not it says how much; it is on the bread all the same.
  const when = WHEN_ASIDE[hints.aside ?? 'taste'];
  const goes = when
    ? asking.ask('aside', 'Does it go into the dough?', [
        { id: 'out', words: 'No, onto bread, bench or pan' },
        { id: 'in', words: 'Yes, count it' },
        { id: 'leave', words: 'No, leave it out' },
      ])
    : 'in';
  if (goes === 'leave') return { as: 'left-out' };
  // Which one it is, is asked once it is known to be wanted.
  const wanted = !when || asking.isAnswered('aside');
  const food =
    wanted || match.found === 'one' ? chooseFood(input, asking, match, saidAmount) : (match.foods[0] ?? null);
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
    onBread: null,
    holdBack: 0,
    measure: null,
    questions: asking.questions,
  };
  if (when && goes === 'out' && !saidAmount) return { as: 'line', line: asideOf(line, when) };
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
  return { as: 'line', line: when && goes === 'out' ? asideOf(line, when) : line };
}

const WHEN_ASIDE: Partial<Record<NonNullable<Hints['aside']>, OnBreadWhen>> = {
  dusting: 'on the bench',
  pan: 'on the pan',
  top: 'after the turn',
};

/** A line that is on the bread: nothing of it counts in the dough. */
const asideOf = (line: ReadLine, when: OnBreadWhen): ReadLine => ({
  ...line,
  onBread: { when, massG: line.mass?.typical ?? null },
  mass: exactly(0),
  fraction: null,
  holdBack: 0,
  measure: null,
});

function tempOf(asking: Asking, hints: Hints): number | null {
  if (hints.tempUnsure === null) return hints.tempC;
  const said = hints.tempUnsure;
  const scale = asking.ask('temperature', `${said} degrees: which scale?`, [
    { id: 'C', words: `${said} °C` },
    { id: 'F', words: `${said} °F` },
  ]);
  return scale === 'C' ? said : Math.round(((said - 32) * 5) / 9);
}
