import { type Words, message } from '../message/message';
import { readsAlike } from '../message/writeWords';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { type FormulaFacts, formulaFacts } from './formulaFacts';
import type { Formula } from './formulaSchema';

export type DifferencePart = 'name' | 'line' | 'total' | 'method' | 'griddle' | 'product';

/** One thing that two formulas say differently. Empty text where one of them does not say it. */
export interface Difference {
  part: DifferencePart;
  /** Field in the document, as in `method.knead.maxS` or `lines.water`. */
  path: string;
  label: Words;
  before: Words;
  after: Words;
  change: 'added' | 'removed' | 'changed';
}

const LABELS: Record<string, string> = {
  name: 'Name',
  summary: 'Summary',
  notes: 'Notes',
  kind: 'Kind of bread',
  'method.school': 'Mixing school',
  'method.saltIn': 'Salt goes into',
  'method.liquidTempC': 'Liquid temperature',
  'method.holdBack': 'Hold-back',
  'method.mix.by': 'Mix by',
  'method.mix.minS': 'Mix, from',
  'method.mix.maxS': 'Mix, to',
  'method.mix.speed': 'Mixer speed',
  'method.soak.share': 'Flour wetted first',
  'method.soak.restS': 'Wetted flour set aside',
  'method.hands': 'Hands',
  'method.knead.by': 'Knead by',
  'method.knead.minS': 'Knead, from',
  'method.knead.maxS': 'Knead, to',
  'method.knead.speed': 'Mixer speed, kneading',
  'method.knead.test': 'Knead test',
  'method.knead.aim': 'Feel aimed for',
  'method.fatIn': 'Fat goes in',
  'method.shaping.how': 'Shaping',
  'method.shaping.benchFlour': 'Bench flour',
  'method.shaping.coins': 'Pressed to coins',
  'method.shaping.laidOut': 'All discs first',
  'method.shaping.note': 'Shaping note',
  'method.hold': 'Holding',
  'method.holdIn': 'Held in',
  'bake.surface': 'Surface',
  'bake.plateC': 'Plate',
  'bake.floured': 'Bench flour stays on',
  'bake.hotPress.tempC': 'Hot press',
  'bake.hotPress.seconds': 'Time in the press',
  'bake.trials': 'Trial pieces',
  'bake.later.afterPieces': 'Pieces before the heat changes',
  'bake.later.plateC': 'Heat after them',
  'bake.finish.kind': 'Finish',
  'bake.finish.seconds': 'Finish time',
  'product.ballG': 'Ball',
  'product.thicknessMm': 'Thickness',
  'product.springBack': 'Spring-back',
  'product.air': 'Air in the dough',
  'product.ballToleranceG': 'Ball tolerance',
  'product.diameterToleranceMm': 'Diameter tolerance',
  'product.thicknessToleranceMm': 'Thickness tolerance',
  'product.spots': 'Spots',
  'product.secondSpots': 'Spots of the second side',
  'product.puff': 'Puff',
  'product.fold': 'Fold test',
  'product.black': 'Black of a face',
  'product.pliable': 'Pliable',
  'product.look': 'Good piece',
};

const FRACTIONS: ReadonlySet<string> = new Set([
  'method.holdBack',
  'method.soak.share',
  'product.springBack',
  'product.air',
  'product.black',
]);
const PART_OF: Record<string, DifferencePart> = { method: 'method', bake: 'griddle', product: 'product' };

/** Fields that stand in lists: what an entry is called, and its fields where the name is not the word. */
const LISTED: readonly (readonly [list: RegExp, entry: string, fields: Record<string, string>])[] = [
  [/^method\.rests\[(\d+)\]\.(\w+)$/, 'Rest', { earliestS: 'earliest', latestS: 'latest' }],
  [
    /^method\.knead\.again\[(\d+)\]\.(\w+)$/,
    'Knead again',
    { pauseS: 'pause before', restTest: 'test of the rest', minS: 'from', maxS: 'to' },
  ],
  [/^bake\.sides\[(\d+)\]\.(\w+)$/, 'Side', { wetFace: 'wet face', plateC: 'heat' }],
  [/^bake\.care\[(\d+)\]\.(\w+)$/, 'Care of the plate', { every: 'every so many pieces' }],
];

/** Names a field: "Rest 2, earliest", "Side 1, seconds". */
function labelOf(path: string): Words {
  for (const [list, entry, fields] of LISTED) {
    const [, index, field = ''] = list.exec(path) ?? [];
    if (index !== undefined)
      return message('{entry} {number, number}, {field}', {
        entry,
        number: Number(index) + 1,
        field: fields[field] ?? field,
      });
  }
  return LABELS[path] ?? path;
}

function textOf(path: string, value: unknown): Words {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value !== 'number') return value === undefined ? '' : String(value);
  if (FRACTIONS.has(path)) return { share: value, decimals: 1 };
  if (path.endsWith('C')) return { tempC: value };
  if (path.endsWith('Mm')) return { mm: value };
  if (path.endsWith('G')) return { g: value, stepG: 0.1 };
  if (path.endsWith('S') || path.endsWith('seconds')) return { s: value };
  return { figure: value, most: 6 };
}

/** Every leaf of a document with its path; empty lists have none. */
function leaves(value: unknown, path: string): [path: string, value: unknown][] {
  if (Array.isArray(value)) return value.flatMap((entry, index) => leaves(entry, `${path}[${index}]`));
  if (typeof value !== 'object' || value === null) return [[path, value]];
  return Object.entries(value).flatMap(([key, entry]) => leaves(entry, path ? `${path}.${key}` : key));
}

function difference(
  part: DifferencePart,
  path: string,
  label: Words,
  before: Words,
  after: Words,
): Difference[] {
  if (readsAlike(before, after)) return [];
  const change = before === '' ? 'added' : after === '' ? 'removed' : 'changed';
  return [{ part, path, label, before, after, change }];
}

interface ComparedLine {
  name: string;
  fraction: number;
  note: string;
}

function linesOf({ lines }: FormulaFacts): Map<string, ComparedLine> {
  const found = new Map<string, ComparedLine>();
  for (const { ingredient, food, fraction, note = '' } of lines) {
    let key = ingredient;
    while (found.has(key)) key += '+';
    found.set(key, { name: food.name, fraction, note });
  }
  return found;
}

/** What goes on the bread, by ingredient and moment, in words. */
const onBreadOf = ({ onBread }: FormulaFacts): Map<string, { name: Words; words: Words }> =>
  new Map(
    onBread.map(({ ingredient, when, food, gPerPiece, share = 1, note }) => {
      const each: Words =
        share < 1
          ? message('{each} on {share} of the pieces,', {
              each: { g: gPerPiece, stepG: 0.1 },
              share: { share },
            })
          : { g: gPerPiece, stepG: 0.1 };
      return [
        `${ingredient}, ${when}`,
        {
          name: message('{food}, {when}', { food: food.name, when }),
          words: note
            ? message('{each} a piece, {note}', { each, note: { name: note } })
            : message('{each} a piece', { each }),
        },
      ];
    }),
  );

/**
 * Lists what differs between two formulas, line by line: ingredients by name, then totals, then method, griddle
 * and product. Empty when they are the same bread.
 * @param before the older
 * @param after the newer
 * @param foods ingredients of the kitchen
 */
export function compareFormulas(before: Formula, after: Formula, foods: readonly Ingredient[]): Difference[] {
  const [was, is] = [formulaFacts(before, foods), formulaFacts(after, foods)];
  const [linesWas, linesIs] = [linesOf(was), linesOf(is)];
  const share = (line: ComparedLine | undefined): Words => {
    if (!line) return '';
    const of = { share: line.fraction, decimals: 2 };
    return line.note ? message('{share}, {note}', { share: of, note: { name: line.note } }) : of;
  };
  const lines = [...new Set([...linesWas.keys(), ...linesIs.keys()])].flatMap((key) => {
    const [a, b] = [linesWas.get(key), linesIs.get(key)];
    return difference('line', `lines.${key}`, (b ?? a)?.name ?? key, share(a), share(b));
  });
  const onBread = [...new Set([...onBreadOf(was).keys(), ...onBreadOf(is).keys()])].flatMap((key) => {
    const [a, b] = [onBreadOf(was).get(key), onBreadOf(is).get(key)];
    return difference('line', `onBread.${key}`, (b ?? a)?.name ?? key, a?.words ?? '', b?.words ?? '');
  });
  const total = (path: string, label: string, of: (facts: FormulaFacts) => Words) =>
    difference('total', path, label, of(was), of(is));
  const totals = [
    ...total('hydration', 'Effective hydration', ({ totals: t }) => ({ share: t.hydration, decimals: 1 })),
    ...total('fat', 'Effective fat', ({ totals: t }) => ({ share: t.fat, decimals: 1 })),
    ...total('salt', 'Salt', ({ totals: t }) => ({ share: t.salt, decimals: 2 })),
    ...total('diameter', 'Disc', ({ relaxed }) => ({ mm: relaxed.diameterMm })),
  ];
  const rest = (formula: Formula) => {
    const { name, kind, summary, notes, method, bake, product } = formula;
    const said = { ...(kind ? { kind } : {}), ...(notes ? { notes } : {}) };
    return new Map(leaves({ name, summary, ...said, method, bake, product }, ''));
  };
  const [restWas, restIs] = [rest(before), rest(after)];
  const fields = [...new Set([...restWas.keys(), ...restIs.keys()])].flatMap((path) =>
    difference(
      PART_OF[path.split(/[.[]/)[0] ?? ''] ?? 'name',
      path,
      labelOf(path),
      textOf(path, restWas.get(path)),
      textOf(path, restIs.get(path)),
    ),
  );
  return [...lines, ...onBread, ...totals, ...fields];
}
