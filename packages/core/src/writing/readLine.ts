import { message } from '../message/message';
import type { OnBreadWhen } from '../formula/onBreadWhen';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { exactly } from '../quantity/interval';
import type { Measures } from '../quantity/units';
import { Asking, lineStem } from './asking';
import { type Hints, readHints } from './hints';
import {
  looseOf,
  massOfPieces,
  massOfVolume,
  rangeOf,
  settleAmount,
  settleTwice,
  withoutAmount,
} from './lineMass';
import { type Match, matchIngredient } from './matchIngredient';
import type { SaidAmount } from './amountAt';
import { readAmount } from './readAmount';
import type { Answers, LineResult, QuestionKind, ReadLine } from './readListTypes';
import { tidyLine } from './tidyLine';

export interface LineInput {
  index: number;
  /** As it was written. */
  text: string;
  english: string;
  /** Words of the English line as they were written. */
  back: (words: string) => string;
  /** Tells lines of the same words apart. */
  occurrence: number;
  foods: readonly Ingredient[];
  measures: Measures;
  answers: Answers;
}

/** Questions whose answers weigh differently; how a measure was filled widens the line where it is asked. */
const WEIGHTY: ReadonlySet<QuestionKind> = new Set([
  'ingredient',
  'twice',
  'piece',
  'range',
  'ounce',
  'thousand',
]);

/**
 * Reads one line of a list. What it cannot know it asks; an answer given for the question is used. While a question is open
 * its whole range counts.
 */
export function readLine(input: LineInput): LineResult {
  const result = readAsAnswered(input);
  if (result.as !== 'line' || !result.line.mass || result.line.onBread) return result;
  const {
    line,
    line: { mass },
  } = result;
  const others = line.questions
    .filter(({ kind }) => WEIGHTY.has(kind))
    .flatMap(({ key, answers }) => answers.map(({ id }) => ({ ...input.answers, [key]: id })))
    .flatMap((answers) => {
      const other = readAsAnswered({ ...input, answers });
      return other.as === 'line' && other.line.mass ? [other.line.mass] : [];
    });
  if (others.length === 0) return result;
  return {
    as: 'line',
    line: {
      ...line,
      mass: {
        low: Math.min(mass.low, ...others.map(({ low }) => low)),
        typical: mass.typical,
        high: Math.max(mass.high, ...others.map(({ high }) => high)),
      },
    },
  };
}

function readAsAnswered(input: LineInput): LineResult {
  const tidy = tidyLine(input.english);
  const { amount, other, rest } = readAmount(tidy, input.measures);
  const hints = readHints(rest);
  const [named = '', ...remarks] = splitName(hints.rest);
  const asking = new Asking(lineStem(input.text, input.occurrence), input.answers);
  const match = withRemarks(matchEither(named, input.foods), named, remarks, input.foods);
  if (match.found === 'none' || (match.found === 'some' && !amount && isGuess(match))) {
    if (!amount || amount.of === 'piece') return { as: 'words', hasAmount: false, named: false };
    return unknownLine(input, asking, named ? input.back(named) : input.text, amount, hints, remarks);
  }
  return lineOf(input, asking, match, { amount, other }, hints, remarks);
}

/** What stands further back tells nothing of the ingredient. */
const MOST_REMARKS = 4;

/** "Butter, unsalted": what stands behind the comma may say which of several it is. */
function withRemarks(
  match: Match,
  named: string,
  remarks: readonly string[],
  foods: readonly Ingredient[],
): Match {
  if (match.found !== 'some' || isGuess(match)) return match;
  for (const remark of remarks.slice(0, MOST_REMARKS)) {
    const closer = matchIngredient(`${remark} ${named}`, foods);
    if (closer.found === 'one' && closer.left.length === 0 && match.foods.includes(closer.food))
      return closer;
  }
  return match;
}

/** "Lard or shortening": two things of which the cook has one, asked like any other name of several. */
function matchEither(named: string, foods: readonly Ingredient[]): Match {
  const either = named.split(/\s+or\s+/i);
  if (either.length < 2 || either.length > MOST_EITHER) return matchIngredient(named, foods);
  const found = either.map((name) => matchIngredient(name, foods));
  const known = found.flatMap((match) =>
    match.found === 'one'
      ? [match.food]
      : match.found === 'some' && !isGuess(match)
        ? match.foods.slice(0, 2)
        : [],
  );
  const all = [...new Set(known)];
  const isOne = all.length < 2 || found.some((match) => match.found === 'none' || isGuess(match));
  if (isOne) return matchIngredient(named, foods);
  return {
    found: 'some',
    ask: message('{names}: which one?', {
      names: { capital: { list: either.map((name) => ({ name: name.trim().toLowerCase() })), as: 'or' } },
    }),
    foods: all.slice(0, MOST_EITHER),
    byWeight: null,
  };
}
const MOST_EITHER = 4;
const isGuess = (match: Match): boolean => match.found === 'some' && match.guess === true;

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
  if (food)
    return lineOf(input, asking, { found: 'one', food, left: [] }, { amount, other: null }, hints, remarks);
  return {
    as: 'unknown',
    key,
    ask: message('There is no “{name}” in this kitchen. What is it?', { name: { name: name.trim() } }),
  };
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
  { amount: saidAmount, other }: { amount: SaidAmount | null; other: SaidAmount | null },
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
  const left = match.left ?? [];
  const note = input.back([...left, ...remarks, ...hints.notes].join(', ')).slice(0, 120);
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
  const counted = saidAmount && settleTwice(asking, saidAmount, other, food);
  const amount =
    counted && settleAmount(asking, hints.byWeight ? { ...counted, ounce: false } : counted, food);
  if (!amount) return withoutAmount(asking, line);
  const wet = food.kind === 'water' || food.kind === 'dairy';
  const ranged = amount.high.typical > amount.low.typical;
  let size = amount.high;
  if (ranged && wet) line.holdBack = 1 - amount.low.typical / amount.high.typical;
  else if (ranged) size = rangeOf(asking, amount);
  if (wet && hints.byFeel) line.holdBack = Math.max(line.holdBack, FELT_SHARE);

  if (amount.of === 'percent') line.fraction = size.typical / 100;
  else if (amount.of === 'mass') {
    line.mass = size;
    if (size.low < size.high) line.measure = { text: amount.words, loose: looseOf(size) };
  } else if (amount.of === 'volume') massOfVolume(asking, line, amount, size, hints);
  else massOfPieces(asking, line, amount, size);
  return { as: 'line', line: when && goes === 'out' ? asideOf(line, when) : line };
}

/** Kept back of a liquid that goes in by feel, as a share of it (assumption). */
const FELT_SHARE = 0.1;

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
  const scale = asking.ask('temperature', message('{said, number} degrees: which scale?', { said }), [
    { id: 'C', words: `${said} °C` },
    { id: 'F', words: `${said} °F` },
  ]);
  return scale === 'C' ? said : Math.round(((said - 32) * 5) / 9);
}
