import { ENGLISH } from '../message/reader';
import { message } from '../message/message';
import { writeWords } from '../message/writeWords';
import { decodeHTML } from 'entities';
import { Parser } from 'htmlparser2';
import type { Formula } from '../formula/formulaSchema';
import { type FormulaFacts, formulaFacts } from '../formula/formulaFacts';
import { methodWords } from '../formula/methodWords';
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
      .map(({ food, gPerPiece, when, note, share = 1 }) =>
        text(
          gPerPiece * share * cost.pieces,
          food.name,
          [when, `${gPerPiece} g a piece`, note].filter(Boolean).join(', '),
        ),
      ),
  ];
}

/** The work in sentences. A recipe is read by other programs, so it is written in English and metric, whoever asks. */
const instructions = (formula: Formula, facts: FormulaFacts): string[] =>
  methodWords(formula, facts).map(({ name, text }) =>
    plainSpaces(writeWords(message('{name}: {text}', { name, text }), ENGLISH)),
  );

/**
 * A formula as a schema.org Recipe in JSON-LD.
 * @param formula the formula
 * @param foods ingredients of the kitchen
 */
export function recipeOf(formula: Formula, foods: readonly Ingredient[]): object {
  const facts = formulaFacts(formula, foods);
  return {
    '@context': ['https://schema.org', { 'kettle-scale': 'urn:kettle-scale:' }],
    '@type': 'Recipe',
    name: formula.name,
    description: formula.summary,
    recipeYield: `${facts.cost.pieces} pieces`,
    recipeIngredient: ingredientTexts(formula, foods),
    recipeInstructions: instructions(formula, facts).map((text) => ({ '@type': 'HowToStep', text })),
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
