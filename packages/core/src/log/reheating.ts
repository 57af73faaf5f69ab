import { type Words, message } from '../message/message';
import type { Holding } from '../kitchen/holdings';

/** How held bread is brought back. */
export const REHEAT_WAYS = ['plate', 'stack', 'flame', 'oven', 'microwave', 'toaster', 'steam'] as const;
export type ReheatWay = (typeof REHEAT_WAYS)[number];

/** A way back with its time and what can hurt. */
export interface Reheating {
  way: ReheatWay;
  /** "15 to 25 s a side", for a table. */
  time: string;
  text: Words;
  caution: string;
}

/** Bread thicker than this is warmed slowly, so that its middle is hot before its face is hard, mm. */
const THICK_MM = 3;

const FROZEN: ReadonlySet<Holding> = new Set(['freezer', 'vacuum pack, frozen']);
const VACUUM: ReadonlySet<Holding> = new Set(['vacuum pack, chilled', 'vacuum pack, frozen']);

/** Seconds by how the bread comes: thin or thick, from the room or the cold, or frozen (trade practice, assumptions). */
const TIME: Record<ReheatWay, Record<'thin' | 'thick', readonly [kept: string, frozen: string]>> = {
  plate: {
    thin: ['15 to 25 s a side', '30 to 45 s a side'],
    thick: ['60 to 90 s a side', '2 to 3 min a side'],
  },
  stack: {
    thin: ['1 to 2 min a side', '2 to 3 min a side'],
    thick: ['2 to 3 min a side', '4 to 5 min a side'],
  },
  flame: {
    thin: ['3 to 5 s a side', '5 to 8 s a side'],
    thick: ['5 to 8 s a side', 'not before it is thawed'],
  },
  oven: { thin: ['8 to 10 min', '12 to 15 min'], thick: ['12 to 15 min', '18 to 25 min'] },
  microwave: { thin: ['10 to 20 s', '20 to 40 s'], thick: ['25 to 40 s', '45 to 75 s'] },
  toaster: { thin: ['20 to 30 s', '40 to 60 s'], thick: ['60 to 90 s', '90 to 150 s'] },
  steam: { thin: ['20 to 40 s', '1 to 2 min'], thick: ['1 to 2 min', '3 to 4 min'] },
};

const TEXT: Record<ReheatWay, (thick: boolean) => Words> = {
  plate: (thick) =>
    thick
      ? message('A dab of water on each side, plate at about {temp}, under a lid.', {
          temp: { tempC: 180 },
        })
      : message('A dab of water on each side, plate at about {temp}.', { temp: { tempC: 200 } }),
  stack: () =>
    message('The whole stack in a cloth or foil, plate at {temp}, turned over once.', {
      temp: { tempC: 160 },
    }),
  flame: () => 'One at a time, kept moving, turned with tongs.',
  oven: () => message('A stack of six in foil, oven at {temp}.', { temp: { tempC: 180 } }),
  microwave: () => 'One at a time between damp paper, then a moment to stand.',
  toaster: () => 'One at a time, low, dry.',
  steam: () => 'A stack wrapped in cloth over boiling water, until it bends.',
};

const CAUTION: Record<ReheatWay, string> = {
  plate: 'Hot plate: drops of water spit.',
  stack: 'Open it away from you: steam. Keep cloth off a flame.',
  flame: 'Open flame: sleeves back, nothing loose near it.',
  oven: 'Open the foil away from you: steam.',
  microwave: 'No foil in it; steam when it is unfolded, and spots hotter than the rest.',
  toaster: 'Never damp, oiled or buttered: it can catch fire. Never a knife in it.',
  steam: 'Steam scalds: lift the lid away from you.',
};

/**
 * Every way to bring held bread back, with its time by thickness and by how it was kept.
 * @param how the way it was held
 * @param thicknessMm mm
 */
export function reheatings(how: Holding, thicknessMm: number): Reheating[] {
  const thick = thicknessMm >= THICK_MM;
  return REHEAT_WAYS.map((way) => ({
    way,
    time: TIME[way][thick ? 'thick' : 'thin'][FROZEN.has(how) ? 1 : 0],
    text: TEXT[way](thick),
    caution: CAUTION[way],
  }));
}

/**
 * What to heed of the way a bread was kept before it goes back to the heat.
 * @param how the way it was held
 * @returns one sentence; empty where there is nothing to heed
 */
export function beforeReheating(how: Holding): Words {
  if (how === 'served at once') return 'If it has cooled, it can be reheated once.';
  const sentences = [
    ...(VACUUM.has(how) ? ['Cut the pack open first.'] : []),
    ...(FROZEN.has(how)
      ? [
          'Straight from the freezer; a stack that sticks is thawed in its wrapping in the fridge. Do not freeze it again.',
        ]
      : []),
    'Heat it through as your local food code asks, once.',
  ];
  return message('{sentences}', { sentences: { list: sentences, glue: ' ' } });
}

/**
 * What to heed as bread is put away; nothing for most ways.
 * @param how the way it is held
 */
export const keepingCaution = (how: Holding): string | null =>
  VACUUM.has(how)
    ? 'Cool it first and keep it cold: packs without air need a plan that your local code may have to approve.'
    : how === 'closed bag'
      ? 'Only when it is cool and dry: a warm bag sweats and moulds.'
      : null;
