import { type Measures, type Unit, unitsFor } from '../quantity/units';
import { type Interval, exactly } from '../quantity/interval';

/** What a word behind a number measures. */
export type SaidUnit =
  | { of: 'mass'; g: number; words: string; ounce?: boolean }
  | { of: 'volume'; ml: Interval; words: string }
  | { of: 'piece'; piece: string; words: string }
  | { of: 'percent'; words: string };

const LOOSE_ML: readonly (readonly [names: string, ml: Interval, words: string])[] = [
  // A pinch between finger and thumb, a dash from the jar, a closed hand: kitchen weighings, wide on purpose.
  ['pinch,pinches', { low: 0.2, typical: 0.31, high: 0.5 }, 'pinch'],
  ['dash,dashes', { low: 0.4, typical: 0.62, high: 0.9 }, 'dash'],
  ['handful,handfuls', { low: 40, typical: 60, high: 90 }, 'handful'],
  ['splash,splashes,drizzle,glug', { low: 5, typical: 10, high: 20 }, 'splash'],
];

/** Things that people count. The ingredient says what one weighs. */
const PIECES: Record<string, string> = {
  stick: 'stick',
  sticks: 'stick',
  knob: 'knob',
  knobs: 'knob',
  clove: 'clove',
  cloves: 'clove',
  packet: 'packet',
  packets: 'packet',
  sachet: 'packet',
  sachets: 'packet',
  envelope: 'packet',
  envelopes: 'packet',
  cube: 'cube',
  cubes: 'cube',
  bunch: 'bunch',
  bunches: 'bunch',
  spoonful: 'spoonful',
  spoonfuls: 'spoonful',
};

/** A single letter means a spoon or cup by its case: T is the large spoon, t the small one. */
const LETTERS: Record<string, Unit['id']> = {
  T: 'tbsp',
  t: 'tsp',
  c: 'cup',
  C: 'cup',
  Tb: 'tbsp',
  Tbs: 'tbsp',
};
const SHORT: Record<string, Unit['id']> = {
  tbs: 'tbsp',
  tbl: 'tbsp',
  tblsp: 'tbsp',
  tbps: 'tbsp',
  ts: 'tsp',
  gms: 'g',
  gramme: 'g',
  grammes: 'g',
  gm: 'g',
  kgs: 'kg',
  lt: 'l',
  ltr: 'l',
  litr: 'l',
  mls: 'ml',
  '#': 'lb',
};

const bySystem = new Map<Measures, Map<string, SaidUnit>>();

function tableFor(measures: Measures): Map<string, SaidUnit> {
  const known = bySystem.get(measures);
  if (known) return known;
  const table = new Map<string, SaidUnit>();
  const said = (unit: Unit): SaidUnit =>
    unit.kind === 'mass'
      ? { of: 'mass', g: unit.size, words: unit.id, ...(unit.id === 'oz' ? { ounce: true } : {}) }
      : { of: 'volume', ml: exactly(unit.size), words: unit.id === 'floz' ? 'fl oz' : unit.id };
  const units = new Map(unitsFor(measures).map((unit) => [unit.id, unit]));
  for (const unit of units.values()) for (const name of unit.names) table.set(name, said(unit));
  for (const [name, id] of [...Object.entries(SHORT), ...Object.entries(LETTERS)]) {
    const unit = units.get(id);
    if (unit) table.set(name, said(unit));
  }
  for (const [names, ml, words] of LOOSE_ML) {
    for (const name of names.split(',')) table.set(name, { of: 'volume', ml, words });
  }
  for (const [name, piece] of Object.entries(PIECES)) table.set(name, { of: 'piece', piece, words: piece });
  table.set('%', { of: 'percent', words: '%' });
  bySystem.set(measures, table);
  return table;
}

/** The unit of one or two words ("fl oz"), with how many words it took; null when the words are no unit. */
export function unitAt(
  words: readonly string[],
  measures: Measures,
): { unit: SaidUnit; taken: number } | null {
  const table = tableFor(measures);
  const [first = '', second = ''] = words.map((word) => word.replace(/\.$/, ''));
  const both = `${first} ${second}`.toLowerCase();
  const pair = table.get(both);
  if (pair && second) return { unit: pair, taken: 2 };
  const system = first.toLowerCase() === 'metric' ? 'metric' : first === 'US' || first === 'us' ? 'us' : null;
  if (system && second) {
    const own = unitAt([second], system);
    return own && own.unit.of === 'volume' ? { unit: own.unit, taken: 2 } : null;
  }
  const unit = table.get(first) ?? table.get(first.toLowerCase());
  return unit ? { unit, taken: 1 } : null;
}
