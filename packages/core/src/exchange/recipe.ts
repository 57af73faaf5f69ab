import { ENGLISH } from '../message/reader';
import { type Value, type Words, message } from '../message/message';
import { writeWords } from '../message/writeWords';
import { beforePlate } from '../formula/bakePhases';
import { decodeHTML } from 'entities';
import { Parser } from 'htmlparser2';
import type { Formula } from '../formula/formulaSchema';
import { formulaFacts } from '../formula/formulaFacts';
import { careWords, kneadWords, mixWords } from '../formula/workWords';
import type { Ingredient } from '../ingredient/ingredientSchema';

/** The formula as a JSON literal beside the words, so that the way back loses nothing. */
const OWN = 'kettle-scale:formula';

const plainSpaces = (text: string): string => text.replaceAll('\u00a0', ' ');

/** "700 g Strong flour": what any reader of recipes understands. */
export function ingredientTexts(formula: Formula, foods: readonly Ingredient[]): string[] {
  const { lines, onBread, flourG, cost } = formulaFacts(formula, foods);
  const text = (massG: number, name: string, note = '') => {
    const decimals = massG < 1 ? 3 : massG < 100 ? 1 : 0;
    return `${Number(massG.toFixed(decimals))} g ${name}${note ? ` (${note})` : ''}`;
  };
  return [
    ...lines.map(({ food, fraction, note }) => text(fraction * flourG, food.name, note)),
    // What is only implied is no line of the recipe's own: files of older programs have none either.
    ...onBread
      .filter(({ assumed }) => !assumed)
      .map(({ food, gPerPiece, when, note }) =>
        text(
          gPerPiece * cost.pieces,
          food.name,
          [when, `${gPerPiece} g a piece`, note].filter(Boolean).join(', '),
        ),
      ),
  ];
}

/** The work in sentences. A recipe is read by other programs, so it is written in English and metric, whoever asks. */
function instructions(formula: Formula, foods: readonly Ingredient[]): string[] {
  const { method, bake, product } = formula;
  const span = (minS: number, maxS: number): Words =>
    message('{from} to {to}', { from: { s: minS }, to: { s: maxS } });
  const rests = (of: 'dough' | 'balls') =>
    method.rests
      .filter((rest) => rest.of === of)
      .map((rest) =>
        message('Rest the {of} {span}, {cover}, {where}.', {
          ...{ of, span: span(rest.earliestS, rest.latestS), cover: rest.cover },
          where: rest.where === 'room' ? 'at room temperature' : 'in the fridge',
        }),
      );
  const food = new Map([...foods, ...(formula.ingredients ?? [])].map((one) => [one.id, one]));
  const nameOf = (id: string) => food.get(id)?.name ?? id;
  const hasFat = formula.lines.some(({ ingredient, late }) => food.get(ingredient)?.kind === 'fat' && !late);
  const sides: Value = {
    list: bake.sides.map(({ seconds, plateC }) =>
      plateC === undefined
        ? message('{seconds, number} s', { seconds })
        : message('{seconds, number} s at {plate}', { seconds, plate: { tempC: plateC } }),
    ),
    glue: ', then ',
  };
  const on = { plate: { tempC: bake.plateC }, sides };
  const steps: Words[] = [
    message('{mix} Mix with the liquid at {liquid}, salt in the {saltIn}, {span}.', {
      ...{ mix: mixWords(method, hasFat), liquid: { tempC: method.liquidTempC }, saltIn: method.saltIn },
      span: span(method.mix.minS, method.mix.maxS),
    }),
    ...kneadWords(formula, nameOf).map((words, round) =>
      round === 0 ? message('Knead {words}', { words }) : words,
    ),
    ...rests('dough'),
    message('Divide into balls of {ball} g.', { ball: { figure: product.ballG, most: 3 } }),
    ...rests('balls'),
    message('Flatten to {thickness} mm.', { thickness: { figure: product.thicknessMm, most: 3 } }),
    ...(method.shaping.note ? [method.shaping.note] : []),
    ...beforePlate(bake).map((what) => message('{what}.', { what: { capital: what } })),
    bake.finish
      ? message('Bake on the plate at {plate}: {sides}, then {seconds, number} s over the {finish}.', {
          ...{ ...on, seconds: bake.finish.seconds, finish: bake.finish.kind },
        })
      : message('Bake on the plate at {plate}: {sides}.', on),
    ...(bake.care ?? []).map((care) => message('For the plate: {care}.', { care: careWords(care) })),
    ...(method.hold ? [method.hold] : []),
  ];
  return steps.map((step) => plainSpaces(writeWords(step, ENGLISH)));
}

/**
 * A formula as a schema.org Recipe in JSON-LD.
 * @param formula the formula
 * @param foods ingredients of the kitchen
 */
export function recipeOf(formula: Formula, foods: readonly Ingredient[]): object {
  const { cost } = formulaFacts(formula, foods);
  return {
    '@context': ['https://schema.org', { 'kettle-scale': 'urn:kettle-scale:' }],
    '@type': 'Recipe',
    name: formula.name,
    description: formula.summary,
    recipeYield: `${cost.pieces} pieces`,
    recipeIngredient: ingredientTexts(formula, foods),
    recipeInstructions: instructions(formula, foods).map((text) => ({ '@type': 'HowToStep', text })),
    [OWN]: { '@type': '@json', '@value': formula },
  };
}

/** A recipe of another program: its lines go through the reader of lists. */
export interface RecipeList {
  name: string;
  /** One entry a line. */
  text: string;
  notes: string;
}

export interface Recipe {
  list: RecipeList;
  /** Our formula as it was written out, not yet checked, and the ingredient lines it had then. */
  own: unknown;
  ingredientLines: string[];
  /** Path of the recipe in the document. */
  path: string;
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const textOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number'
    ? decodeHTML(String(value))
        .replace(/<[^>]*>/g, ' ')
        .replace(/[ \t]+/g, ' ')
        .trim()
    : '';

/** Plain lines of text, however the document nests, marks up or encodes them. */
export const textsOf = (value: unknown): string[] => {
  if (Array.isArray(value)) return value.flatMap(textsOf);
  if (isRecord(value)) return textsOf(value.itemListElement ?? value.text ?? value.name);
  return textOf(value)
    .split('\n')
    .map((text) => text.trim())
    .filter(Boolean);
};

const isRecipe = (node: Record<string, unknown>): boolean =>
  [node['@type']]
    .flat()
    .some((type) => type === 'Recipe' || type === 'schema:Recipe' || type === 'https://schema.org/Recipe');

/** Finds the recipes of a JSON-LD document, wherever they stand: alone, in a list, in a graph, in a page. */
export function recipesIn(value: unknown, path = ''): Recipe[] {
  if (Array.isArray(value)) return value.flatMap((entry, index) => recipesIn(entry, `${path}[${index}]`));
  if (!isRecord(value)) return [];
  if (!isRecipe(value)) {
    return ['@graph', 'mainEntity', 'mainEntityOfPage', 'itemListElement', 'item'].flatMap((key) =>
      recipesIn(value[key], path),
    );
  }
  const ingredientLines = textsOf(value.recipeIngredient ?? value.ingredients);
  const yields =
    [value.recipeYield]
      .flat()
      .map(textOf)
      .find((text) => /\d/.test(text)) ?? '';
  const pieces = /\d+/.exec(yields)?.[0];
  const own = value[OWN];
  return [
    {
      path,
      ingredientLines,
      own: isRecord(own) ? own['@value'] : undefined,
      list: {
        name: textOf(value.name).slice(0, 60),
        text: [...ingredientLines, ...(pieces ? [`Makes ${pieces}`] : [])].join('\n'),
        notes: textsOf(value.recipeInstructions).join('\n'),
      },
    },
  ];
}

const LD_JSON = 'application/ld+json';

/** The JSON-LD scripts of a saved web page. */
export function scriptsIn(html: string): string[] {
  const scripts: string[] = [];
  let open = false;
  const parser = new Parser({
    onopentag: (name, { type = '' }) => {
      open = name === 'script' && type.toLowerCase().startsWith(LD_JSON);
      if (open) scripts.push('');
    },
    ontext: (text) => {
      if (open) scripts.push(`${scripts.pop() ?? ''}${text}`);
    },
    onclosetag: () => {
      open = false;
    },
  });
  parser.end(html);
  return scripts.map((script) => script.trim()).filter(Boolean);
}
