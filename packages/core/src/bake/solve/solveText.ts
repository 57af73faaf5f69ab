import { type Value, type Words, message } from '../../message/message';
import type { Solution, Trouble } from './bakeRequest';
import type { Over, Short } from './standard';
import type { Reach, Sensitivity, WayOut } from './waysRound';

const seconds = (s: number): Words => message('{s, number} s', { s: Math.round(s) });
/** "23–33": the earliest and the latest of a side in whole seconds inside them. */
export const rangeWords = (leastS: number, mostS: number): string => {
  const [least, most] = [Math.ceil(leastS), Math.floor(mostS)];
  return least >= most ? String(Math.round(leastS)) : `${least}–${most}`;
};

const listed = (parts: readonly number[]): Value => ({ list: parts.map(seconds), glue: ' + ' });

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
export function limitWords(solution: Solution): Words {
  const last = solution.least.length - 1;
  const [least, most] = [solution.least[last] ?? 0, solution.most[last] ?? 0];
  const range = message('The last side may take {rangeWords} s', { rangeWords: rangeWords(least, most) });
  return message('{firstWords} {range}: {leastWords}, and {mostWords}.', {
    firstWords: FIRST_WORDS[solution.firstLimit],
    range,
    leastWords: LEAST_WORDS[solution.leastLimit],
    mostWords: MOST_WORDS[solution.mostLimit],
  });
}

/** What stands against a good bread, after "On the plate:". */
export const TROUBLE_ON: Record<Trouble, string> = {
  'dries first': 'no good bread here: it dries below pliable before it is coloured and cooked.',
  'burns first': 'no good bread here: it chars before it is cooked.',
  'middle stays raw': 'no good bread here: the middle never cooks through.',
  'never browns': 'no good bread here: it never browns.',
  'never puffs': 'no good bread here: it browns and cooks, but there is too little steam to puff it.',
};

/**
 * @param trouble what stands against a good bread
 */
export const troubleWords = (trouble: Trouble): Words =>
  message('{trouble}', { trouble: { capital: TROUBLE_ON[trouble] } });

/**
 * What to change, in words.
 * @param wayOut what to change, to what, and the seconds then
 */
export function wayOutWords({ what, value, seconds: times }: WayOut): Words {
  switch (what) {
    case 'heat':
      return message('At {value} it works: {listed}.', { value: { tempC: value }, listed: listed(times) });
    case 'thickness':
      return message('At {value} it works: {listed}.', { value: { mm: value }, listed: listed(times) });
    case 'paler':
      return message('Paler, with {value, number} % of each face in freckles, it works: {listed}.', {
        value: Math.round(value),
        listed: listed(times),
      });
    case 'crisper':
      return message('Crisper, at {value, number} % moisture, it works: {listed}.', {
        value: Math.round(value),
        listed: listed(times),
      });
  }
}

function changed(s: number, side: number): Words {
  const of = { size: Math.abs(Math.round(s)), side: side + 1 };
  if (of.size === 0) return message('no change on side {side, number}', of);
  return s < 0
    ? message('{size, number} s less on side {side, number}', of)
    : message('{size, number} s more on side {side, number}', of);
}

const CHANGED: Record<Sensitivity['what'], (by: number) => Words> = {
  hotter: (by) => message('{by} hotter', { by: { kelvin: by } }),
  thicker: (by) => message('{by} thicker', { by: { mm: by } }),
  'dough colder': (by) => message('Dough {by} colder', { by: { kelvin: by } }),
};

/**
 * "10 °C hotter: 4 s less on side 1, 3 s less on side 2."
 * @param sensitivity what changes, by how much, and the seconds then
 */
export function sensitivityWords({ what, by, changeS }: Sensitivity): Words {
  const moved = CHANGED[what](by);
  if (!changeS) return message('{moved}: no good bread is left.', { moved });
  return message('{moved}: {changes}.', { moved, changes: { list: changeS.map(changed) } });
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
 */
export function reachWords(
  { good, least, most, leastLimit, mostLimit }: Reach,
  of: 'heat' | 'thickness',
): Words {
  const figure = (value: number) => (of === 'heat' ? { tempC: value } : { mm: Math.round(10 * value) / 10 });
  if (!good) {
    const short = leastLimit ? SHORT_NAMES[leastLimit] : 'it is not done';
    const over = mostLimit ? BEYOND_NAMES[mostLimit] : 'it spoils';
    return message('No {of} suits these seconds: {short} until {over}. Change the seconds.', {
      of,
      short,
      over,
    });
  }
  const parts = [
    least !== null && leastLimit
      ? message(of === 'heat' ? 'below {bound} {happens}' : 'thicker than {bound} {happens}', {
          bound: figure(least),
          happens: SHORT_NAMES[leastLimit],
        })
      : null,
    most !== null && mostLimit
      ? message(of === 'heat' ? 'above {bound} {happens}' : 'thinner than {bound} {happens}', {
          bound: figure(most),
          happens: BEYOND_NAMES[mostLimit],
        })
      : null,
  ].filter((part) => part !== null);
  return message('{reach}.', { reach: { capital: { list: parts } } });
}
