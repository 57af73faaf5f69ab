import type { Quantity, Words } from '@kettle-scale/core/message';

/** What the fields of stored documents are called on the screens where they are changed. */
const NAMES: Readonly<Record<string, Words>> = {
  absorption: 'Absorption',
  aliases: 'Other names',
  allergens: 'Allergens',
  altitudeM: 'Altitude above the sea',
  bagKg: 'A bag',
  bagPrice: 'Price of a bag, if known',
  bags: 'Bags',
  benchBalls: 'Balls the bench and trays hold',
  benchLoss: 'Lost on the bench',
  benchMm: 'Bench, its shorter side',
  benchStepG: 'Step of the bench scale, g',
  bowlCapacityG: 'Most dough a bowl takes',
  bowlLoss: 'Stays in bowl and on hands',
  bowlMinimumG: 'Least dough it mixes well',
  breads: 'Breads',
  calibrations: 'Calibration',
  closed: 'Used up',
  closesAt: 'Kitchen closes at',
  coldLimitH: 'Milk, yogurt or egg dough out of the cold, at most in all',
  cooks: 'Cooks',
  counted: 'Count',
  currency: 'Money, three letters',
  densities: 'Weight of a cup',
  depthMm: 'Depth',
  fat: 'Fat',
  fineMaxG: 'Most the fine scale can weigh',
  fineStepG: 'Step of the fine scale, g',
  fridgeDoughH: 'fridge dough',
  griddles: 'Plates',
  heat: 'Heat',
  hidden: 'Hide it from lists',
  holdH: 'How long bread is held',
  learnPerCook: 'Learn feel and times of each cook',
  leftAtClose: 'Left at closing',
  lessonsOff: 'Lessons',
  timesChosen: 'Seconds chosen for plates',
  marks: 'Knob',
  material: 'Material',
  maxG: 'Most it takes',
  measures: 'Cups and spoons',
  minG: 'Least it mixes well',
  mixers: 'Bowls and mixers',
  moisture: 'Moisture, if the mill says',
  name: 'Name',
  note: 'Note',
  orders: 'Orders',
  pack: 'Pack',
  plan: 'Plan',
  powerW: 'Power',
  readings: 'Readings',
  receivedOn: 'Came on',
  serviceFrom: 'Service from',
  serviceTo: 'Service to',
  storage: 'Kept in',
  sureness: 'Bread runs short',
  thicknessMm: 'Thickness',
  timeZone: 'Time zone of the kitchen',
  water: 'Water',
  waves: 'Waves',
  widthMm: 'Width',
};

/** `warmCPerMin` is "warm C per min": what nobody named is called what its key says. */
const spelled = (key: string): string => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/**
 * What a field is called, by the keys that lead to it: the name of the nearest field that has one, and of what it is a field.
 * @param path keys, and ids of list entries
 */
export function fieldWords(path: readonly string[]): Words {
  const at = path.findLastIndex((key) => key in NAMES);
  const name = NAMES[path[at] ?? ''] ?? spelled(path.at(-1) ?? '');
  // An entry of a list stands between the list and its field.
  const owner = at > 1 ? path[at - 1] : path[at + 1];
  if (owner === undefined) return name;
  return { text: '{owner}: {field}', values: { owner: { name: owner }, field: name } };
}

/** How figures are measured, by the end of their key. */
const MEASURED: readonly (readonly [RegExp, (value: number) => Quantity])[] = [
  [/G$/, (g) => ({ g })],
  [/Mm$/, (mm) => ({ mm })],
  [/Kg$/, (kg) => ({ bulkG: kg * 1000 })],
  [/C$/, (tempC) => ({ tempC })],
  [/Loss$|^(?:water|protein|fat|carbohydrate|ash|moisture|sureness)$/, (share) => ({ share, decimals: 1 })],
];

/**
 * The value of a field as its screen shows it; a dash where it is not there, and how many there are where it is a list.
 * @param path keys that lead to it
 */
export function valueWords(path: readonly string[], value: unknown): Words {
  if (value === undefined || value === null) return '–';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') {
    const measured = MEASURED.find(([end]) => end.test(path.at(-1) ?? ''));
    return measured ? measured[1](value) : { figure: value, most: 3 };
  }
  if (typeof value === 'string') return { text: '{name}', values: { name: { name: value } } };
  if (Array.isArray(value))
    return { text: '{n, plural, one {# entry} other {# entries}}', values: { n: value.length } };
  const { name } = value as { name?: unknown };
  return typeof name === 'string' ? { text: '{name}', values: { name: { name } } } : 'changed';
}
