import { z } from 'zod';
import {
  ALLERGENS,
  type Allergen,
  FILL_METHODS,
  type FillMethod,
  type Ingredient,
  ingredientSchema,
} from '@kettle-scale/core/ingredient';
import { type Problem, problemsOf } from '@kettle-scale/core/message';
import { typedOrNone } from '../../ui/input/FigureField';
import { say } from '../../reader/say';

const PERCENT = 100;
const SHARES = ['water', 'protein', 'fat', 'carbohydrate', 'ash'] as const;
const ENDS = ['low', 'typical', 'high'] as const;
/** One more row than there are pieces, for a new one. */
const PIECE_ROWS = 4;

/** An ingredient as text in fields. Shares are percent; a fill or piece left empty is not there. */
export interface IngredientText {
  name: string;
  kind: Ingredient['kind'];
  shares: Record<(typeof SHARES)[number], string>;
  fills: Record<FillMethod, Record<(typeof ENDS)[number], string>>;
  pieces: { name: string; low: string; typical: string; high: string }[];
  heat: string;
  packG: string;
  price: string;
  absorption: string;
  rolls: Ingredient['rolls'] | '';
  at20: Ingredient['at20'] | '';
  aliases: string;
  note: string;
  allergens: Allergen[];
  mayContain: Allergen[];
  keepCold: boolean;
  hidden: boolean;
}

const written = (value: number | undefined, shown = 1): string =>
  value === undefined ? '' : String(Number((value * shown).toFixed(6)));

/** The fields of an ingredient; of a new one when none is given. */
export function textOf(food: Ingredient | null): IngredientText {
  const density = (fill: FillMethod) => food?.densities?.find((entry) => entry.fill === fill);
  return {
    name: food?.name ?? '',
    kind: food?.kind ?? 'other',
    shares: Object.fromEntries(
      SHARES.map((part) => [part, written(food?.[part], PERCENT)]),
    ) as IngredientText['shares'],
    fills: Object.fromEntries(
      FILL_METHODS.map((fill) => [
        fill,
        Object.fromEntries(ENDS.map((end) => [end, written(density(fill)?.[end])])),
      ]),
    ) as IngredientText['fills'],
    pieces: Array.from({ length: PIECE_ROWS }, (_, index) => {
      const piece = food?.pieces?.[index];
      return {
        name: piece?.name ?? '',
        low: written(piece?.lowG),
        typical: written(piece?.typicalG),
        high: written(piece?.highG),
      };
    }),
    heat: written(food?.heatKJKgK),
    packG: written(food?.pack?.massG),
    price: written(food?.pack?.price),
    absorption: written(food?.absorption, PERCENT),
    rolls: food?.rolls ?? '',
    at20: food?.at20 ?? '',
    aliases: food?.aliases?.join(', ') ?? '',
    note: food?.note ?? '',
    allergens: [...(food?.allergens ?? [])],
    mayContain: [...(food?.mayContain ?? [])],
    keepCold: food?.keepCold ?? false,
    hidden: food?.hidden ?? false,
  };
}

/** What the fields come to: an ingredient, or one sentence for each field that is wrong. */
export type IngredientRead = { ok: true; food: Ingredient } | { ok: false; problems: Map<string, string> };

const shared = (text: string): number | undefined => {
  const value = typedOrNone(text);
  return value === undefined ? undefined : Number((value / PERCENT).toFixed(9));
};

/**
 * Reads the fields with core's schema. Field names in the problems are those of the form: `fills.scooped.low`.
 * @param before the ingredient that is changed, for what the form does not show
 */
export function readText(id: string, text: IngredientText, before: Ingredient | null): IngredientRead {
  const fills = FILL_METHODS.filter((fill) => ENDS.some((end) => text.fills[fill][end].trim() !== ''));
  const pieces = text.pieces.flatMap((piece, index) =>
    Object.values(piece).some((cell) => cell.trim() !== '') ? [{ piece, index }] : [],
  );
  const weighedOn = (fill: FillMethod) => {
    const known = before?.densities?.find((density) => density.fill === fill);
    const same = known && ENDS.every((end) => known[end] === typedOrNone(text.fills[fill][end]));
    return same && known.weighedOn ? { weighedOn: known.weighedOn } : {};
  };
  const mayContain = ALLERGENS.filter(
    (name) => text.mayContain.includes(name) && !text.allergens.includes(name),
  );
  const hasPack = text.packG.trim() !== '' || text.price.trim() !== '';
  const document = {
    id,
    name: text.name,
    kind: text.kind,
    ...Object.fromEntries(SHARES.map((part) => [part, shared(text.shares[part]) ?? 0])),
    allergens: ALLERGENS.filter((name) => text.allergens.includes(name)),
    ...(mayContain.length > 0 ? { mayContain } : {}),
    ...(text.keepCold ? { keepCold: true } : {}),
    aliases: text.aliases.split(',').flatMap((alias) => alias.trim().toLowerCase() || []),
    densities: fills.map((fill) => ({
      fill,
      ...Object.fromEntries(ENDS.map((end) => [end, typedOrNone(text.fills[fill][end])])),
      ...weighedOn(fill),
    })),
    pieces: pieces.map(({ piece }) => ({
      name: piece.name,
      lowG: typedOrNone(piece.low),
      typicalG: typedOrNone(piece.typical),
      highG: typedOrNone(piece.high),
    })),
    ...(text.heat.trim() ? { heatKJKgK: typedOrNone(text.heat) } : {}),
    ...(hasPack ? { pack: { massG: typedOrNone(text.packG), price: typedOrNone(text.price) } } : {}),
    ...(text.kind === 'flour' && text.absorption.trim() ? { absorption: shared(text.absorption) } : {}),
    ...(text.kind === 'flour' && text.rolls ? { rolls: text.rolls } : {}),
    ...(text.kind === 'fat' && text.at20 ? { at20: text.at20 } : {}),
    ...(text.note.trim() ? { note: text.note } : {}),
    ...(before?.source ? { source: before.source } : {}),
    ...(text.hidden ? { hidden: true } : {}),
  };
  const result = ingredientSchema.safeParse(document);
  if (result.success) return { ok: true, food: result.data };
  return {
    ok: false,
    problems: new Map(
      problemsOf(result.error).map((problem) => [
        fieldOf(
          problem,
          fills,
          pieces.map(({ index }) => index),
        ),
        say(problem.message),
      ]),
    ),
  };
}

/** The fields as a form's schema: text in, an ingredient out, each sentence at the form's own field. */
export const ingredientForm = (idOf: (text: IngredientText) => string, before: Ingredient | null) =>
  z.custom<IngredientText>().transform((text, context): Ingredient => {
    const read = readText(idOf(text), text, before);
    if (read.ok) return read.food;
    for (const [field, message] of read.problems)
      context.addIssue({ code: 'custom', path: field.split('.'), message });
    return z.NEVER;
  });

/** The form's name of a field of the document. */
function fieldOf({ path }: Problem, fills: readonly FillMethod[], rows: readonly number[]): string {
  const density = /^densities\[(\d+)\]\.(\w+)$/.exec(path);
  if (density) return `fills.${fills[Number(density[1])] ?? ''}`;
  const piece = /^pieces\[(\d+)\]/.exec(path);
  if (piece) return `pieces.${rows[Number(piece[1])] ?? 0}`;
  if (path.startsWith('aliases')) return 'aliases';
  const names: Record<string, string> = { heatKJKgK: 'heat', 'pack.massG': 'packG', 'pack.price': 'price' };
  return (SHARES as readonly string[]).includes(path) ? `shares.${path}` : (names[path] ?? path);
}
