import {
  formatLength,
  formatTemp,
  formatTempDifference,
  type UnitSystem,
} from '../../quantity/formatQuantity';
import type { Solution, Trouble } from './bakeRequest';
import type { Over, Short } from './standard';
import type { Reach, Sensitivity, WayOut } from './waysRound';

const seconds = (s: number): string => `${Math.round(s)} s`;
/** "23–33": the earliest and the latest of a side in whole seconds inside them. */
export const rangeWords = (leastS: number, mostS: number): string => {
  const [least, most] = [Math.ceil(leastS), Math.floor(mostS)];
  return least >= most ? String(Math.round(leastS)) : `${least}–${most}`;
};

const listed = (parts: readonly number[]): string => parts.map(seconds).join(' + ');

/** What a limit is called on a picture and in a sentence. */
export const EDGE_WORDS: Record<Trouble, string> = {
  'middle stays raw': 'raw',
  'never browns': 'pale',
  'dries first': 'dry',
  'burns first': 'burnt',
  'never puffs': 'no puff',
};

const FIRST_WORDS: Record<Solution['firstLimit'], string> = {
  colour: 'The first side may end once its freckles are there.',
  bubbles: 'The first side may end once bubbles show all over; its colour is there before.',
  char: 'The first side must end just before it would char; bubbles come later.',
  program: 'All sides keep the proportions of the formula.',
};
const LEAST_WORDS: Record<Short, string> = {
  'pale first side': 'browning of the first side comes last',
  'pale second side': 'browning comes last',
  raw: 'the coolest layer cooks through last',
  'no puff': 'the puff comes last',
};
const MOST_WORDS: Record<Over, string> = {
  burnt: 'any longer and it chars',
  dry: 'any longer and it dries below pliable',
};

/**
 * What binds a good solution, in words.
 * @param solution what the model solved
 */
export function limitWords(solution: Solution): string {
  const last = solution.least.length - 1;
  const [least, most] = [solution.least[last] ?? 0, solution.most[last] ?? 0];
  const range = `The last side may take ${rangeWords(least, most)} s`;
  return `${FIRST_WORDS[solution.firstLimit]} ${range}: ${LEAST_WORDS[solution.leastLimit]}, and ${MOST_WORDS[solution.mostLimit]}.`;
}

const TROUBLE_WORDS: Record<Trouble, string> = {
  'dries first': 'No good bread here: it dries below pliable before it is coloured and cooked.',
  'burns first': 'No good bread here: it chars before it is cooked.',
  'middle stays raw': 'No good bread here: the middle never cooks through.',
  'never browns': 'No good bread here: it never browns.',
  'never puffs': 'No good bread here: it browns and cooks, but there is too little steam to puff it.',
};

/**
 * @param trouble what stands against a good bread
 */
export const troubleWords = (trouble: Trouble): string => TROUBLE_WORDS[trouble];

/**
 * What to change, in words.
 * @param wayOut what to change, to what, and the seconds then
 * @param units measures of the reader
 */
export function wayOutWords({ what, value, seconds: times }: WayOut, units: UnitSystem = 'metric'): string {
  switch (what) {
    case 'heat':
      return `At ${formatTemp(value, units)} it works: ${listed(times)}.`;
    case 'thickness':
      return `At ${formatLength(value, units)} it works: ${listed(times)}.`;
    case 'paler':
      return `Paler, with ${Math.round(value)} % of each face in freckles, it works: ${listed(times)}.`;
    case 'crisper':
      return `Crisper, at ${Math.round(value)} % moisture, it works: ${listed(times)}.`;
  }
}

const signed = (s: number): string => {
  const size = Math.abs(Math.round(s));
  return size === 0 ? 'no change' : `${size} s ${s < 0 ? 'less' : 'more'}`;
};

const CHANGED: Record<Sensitivity['what'], (by: number, units: UnitSystem) => string> = {
  hotter: (by, units) => `${formatTempDifference(by, units)} hotter`,
  thicker: (by, units) => `${formatLength(by, units)} thicker`,
  'dough colder': (by, units) => `Dough ${formatTempDifference(by, units)} colder`,
};

/**
 * "10 °C hotter: 4 s less on the first side, 3 s less on the second."
 * @param sensitivity what changes, by how much, and the seconds then
 * @param units measures of the reader
 */
export function sensitivityWords({ what, by, changeS }: Sensitivity, units: UnitSystem = 'metric'): string {
  const moved = CHANGED[what](by, units);
  if (!changeS) return `${moved}: no good bread is left.`;
  const names = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'];
  return `${moved}: ${changeS.map((s, side) => `${signed(s)} on the ${names[side] ?? 'next'} side`).join(', ')}.`;
}

const SHORT_NAMES: Record<Short, string> = {
  'pale first side': 'the first side stays pale',
  'pale second side': 'the second side stays pale',
  raw: 'the middle stays raw',
  'no puff': 'it does not puff',
};
const BEYOND_NAMES: Record<Over | Short, string> = {
  ...SHORT_NAMES,
  burnt: 'it chars',
  dry: 'it dries below pliable',
};

/**
 * The range of a heat or a thickness, with what lies beyond its ends.
 * @param reach ends with what lies beyond
 * @param of which of the two it is
 * @param units measures of the reader
 */
export function reachWords(
  { good, least, most, leastLimit, mostLimit }: Reach,
  of: 'heat' | 'thickness',
  units: UnitSystem = 'metric',
): string {
  const figure = (value: number) =>
    of === 'heat' ? formatTemp(value, units) : formatLength(Math.round(10 * value) / 10, units);
  const [before, after] = of === 'heat' ? ['below', 'above'] : ['thicker', 'thinner'];
  if (!good) {
    const short = leastLimit ? SHORT_NAMES[leastLimit] : 'it is not done';
    const over = mostLimit ? BEYOND_NAMES[mostLimit] : 'it spoils';
    return `No ${of} suits these seconds: ${short} until ${over}. Change the seconds.`;
  }
  const parts = [
    least !== null && leastLimit
      ? `${before}${of === 'thickness' ? ' than' : ''} ${figure(least)} ${SHORT_NAMES[leastLimit]}`
      : '',
    most !== null && mostLimit
      ? `${after}${of === 'thickness' ? ' than' : ''} ${figure(most)} ${BEYOND_NAMES[mostLimit]}`
      : '',
  ].filter(Boolean);
  const text = parts.join(', ');
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
