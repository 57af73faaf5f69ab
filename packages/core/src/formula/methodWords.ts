import { type Words, message } from '../message/message';
import type { Disc } from '../portion/disc';
import { bakePhases, beforePlate } from './bakePhases';
import type { Formula, ResolvedLine } from './formulaSchema';
import type { HANDS, LAID_OUT, Method } from './methodSchema';
import { careWords, kneadWords, mixWords, timeSpan, workedBy } from './workWords';

/** A part of the work in words, under its name. */
export interface MethodStep {
  of: 'mix' | 'knead' | 'rest' | 'divide' | 'flatten' | 'griddle' | 'plate' | 'good' | 'hold';
  name: Words;
  text: Words;
}

type Shaping = Method['shaping'];

const SHAPING: Record<Shaping['how'], string> = {
  pin: 'roll with a pin',
  'hot-press': 'flatten in the hot press',
  'hand-stretch': 'stretch by hand',
  'sheet-thin': 'roll sheet-thin over the long pin',
  'sheet-press': 'press between two sheets',
};

const LAID: Record<(typeof LAID_OUT)[number], string> = {
  floured: 'make all of them first and lay them floured under a cloth',
  'between sheets': 'make all of them first and stack them between sheets',
  'over the rim of a bowl': 'make all of them first and hang them over the rim of a bowl',
};

const ROUND: Record<(typeof HANDS)[number] | 'unsaid', string> = {
  unsaid: 'Round them tight, seam under, and cover them.',
  dry: 'Round them tight with dry hands, seam under, and cover them.',
  floured: 'Round them tight with floured hands, seam under, and cover them.',
  wet: 'Round them with wet hands, and cover them.',
  oiled: 'Round them with oiled hands, and cover them.',
};
const COINS = 'Press each flat to a coin before it rests.';

/**
 * How balls are rounded, and that they are pressed to coins before their rest; a sentence each.
 * @param method hands and shaping
 */
export const roundWords = ({ hands, shaping }: Pick<Method, 'hands' | 'shaping'>): string[] => [
  ROUND[hands ?? 'unsaid'],
  ...(shaping.coins ? [COINS] : []),
];

/** How discs are made and how large, where they lie, and what is done to them before the plate: short parts in a row. */
const flattenWords = (
  { method: { shaping }, bake }: Pick<Formula, 'method' | 'bake'>,
  rolled: Disc,
): Words[] => [
  message('{how} to {diameter}, {thickness} thick', {
    how: SHAPING[shaping.how],
    diameter: { mm: rolled.diameterMm },
    thickness: { mm: rolled.thicknessMm },
  }),
  ...(shaping.laidOut ? [LAID[shaping.laidOut]] : []),
  ...beforePlate(bake),
  ...(shaping.note ? [shaping.note] : []),
];

const joined = (parts: readonly Words[]): Words =>
  message('{sentences}', { sentences: { list: parts.map((one) => ({ capital: one })), glue: '. ' } });

const WHERE = { room: 'at room temperature', fridge: 'in the fridge' } as const;

function restSteps({ rests }: Method, of: 'dough' | 'balls'): MethodStep[] {
  return rests
    .filter((rest) => rest.of === of)
    .map((rest) => ({
      of: 'rest',
      name: message('Rest the {of}', { of }),
      text: message('{between}, {where}, {cover}.', {
        between: timeSpan(rest.earliestS, rest.latestS),
        where: WHERE[rest.where],
        cover: rest.cover,
      }),
    }));
}

/** The sides and the finish with their seconds, and the range of each where the model was asked. */
function griddleText({ bake }: Formula, ranges: readonly string[]): Words {
  const sides = bakePhases(bake).map(({ name, seconds, act }, index) => {
    const side = { side: { lower: name }, seconds };
    const range = ranges[index];
    const timed = range
      ? message('{side} {seconds, number} s ({range})', { ...side, range })
      : message('{side} {seconds, number} s', side);
    return act ? message('{timed}, {act}', { timed, act }) : timed;
  });
  const on = { plate: { tempC: bake.plateC }, sides: { list: sides, glue: '; ' } };
  return bake.later
    ? message('Plate at {plate}, after {pieces, number} pieces at {later}: {sides}.', {
        ...on,
        pieces: bake.later.afterPieces,
        later: { tempC: bake.later.plateC },
      })
    : message('Plate at {plate}: {sides}.', on);
}

/**
 * The method in a cook's words, in the order of the work: on the formula's page, its card and its recipe.
 * @param formula the formula
 * @param facts its lines with their ingredients, and its disc as it is rolled
 * @param ranges the range of each side, where the model was asked
 */
export function methodWords(
  formula: Formula,
  { lines, rolled }: { lines: readonly ResolvedLine[]; rolled: Disc },
  ranges: readonly string[] = [],
): MethodStep[] {
  const { method, product, bake } = formula;
  const nameOf = (id: string) => lines.find(({ food }) => food.id === id)?.food.name ?? id;
  const hasFat = lines.some(({ food, late }) => food.kind === 'fat' && !late);
  const hasSalt = lines.some(({ food, late }) => food.kind === 'salt' && !late);
  const mixing = {
    mix: mixWords(method, hasFat),
    liquid: { tempC: method.liquidTempC },
    saltIn: method.saltIn,
    span: timeSpan(method.mix.minS, method.mix.maxS),
    by: workedBy(method.mix),
  };
  const mix: MethodStep = {
    of: 'mix',
    name: 'Mix',
    text: hasSalt
      ? message('{mix} Liquid at {liquid}, salt in the {saltIn}. {span} {by}.', mixing)
      : message('{mix} Liquid at {liquid}. {span} {by}.', mixing),
  };
  return [
    mix,
    ...kneadWords(formula, nameOf).map((text, round): MethodStep => ({
      of: 'knead',
      name: round === 0 ? 'Knead' : 'Again',
      text,
    })),
    ...restSteps(method, 'dough'),
    {
      of: 'divide',
      name: 'Divide',
      text: message('Balls of {ball} ± {tolerance}. {round}', {
        ball: { g: product.ballG },
        tolerance: { g: product.ballToleranceG },
        round: { list: roundWords(method), glue: ' ' },
      }),
    },
    ...restSteps(method, 'balls'),
    { of: 'flatten', name: 'Flatten', text: joined(flattenWords(formula, rolled)) },
    { of: 'griddle', name: 'Griddle', text: griddleText(formula, ranges) },
    ...(bake.care ?? []).map((care): MethodStep => ({
      of: 'plate',
      name: 'The plate',
      text: message('{care}.', { care: { capital: careWords(care) } }),
    })),
    ...(product.look ? [{ of: 'good' as const, name: 'Good bread', text: product.look }] : []),
    ...(method.hold ? [{ of: 'hold' as const, name: 'Hold', text: method.hold }] : []),
  ];
}
