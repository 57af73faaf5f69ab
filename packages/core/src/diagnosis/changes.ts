import { type Words, message } from '../message/message';
import type { Adjustment } from '../plan/adjustmentSchema';
import { roundToStep } from '../quantity/roundToStep';
import type { CaseFile } from './evidence';
import type { Cause } from './table';

/** The next change for a cause, in words with numbers; carried into the next plan where a plan has a place for it. */
export interface Change {
  words: Words;
  adjust: Pick<Adjustment, 'what' | 'value'> | null;
}

/** A first change is a step a cook can taste, not a leap: at least this, at most that. */
const STEP = {
  water: { least: 1, most: 3 },
  rest: { least: 5, most: 20 },
  plate: { least: 10, most: 25 },
  sides: { least: 3, most: 10 },
  thickness: { least: 0.2, most: 0.6 },
  knead: { least: 60, most: 180 },
  salt: { least: 0.1, most: 0.5 },
} as const;

type Stepped = keyof typeof STEP;
const GRAIN: Record<Stepped, number> = {
  water: 0.5,
  rest: 1,
  plate: 5,
  sides: 1,
  thickness: 0.1,
  knead: 30,
  salt: 0.05,
};

const step = (what: Stepped, off: number): number =>
  roundToStep(Math.min(STEP[what].most, Math.max(STEP[what].least, off)), GRAIN[what]);

const by =
  (what: Stepped, direction: 1 | -1, words: (value: number) => Words) =>
  (off: number): Change => {
    const value = step(what, off);
    return { words: words(value), adjust: { what, value: direction * value } };
  };
const say =
  (words: Words | ((file: CaseFile) => Words)) =>
  (_off: number, file: CaseFile): Change => ({
    words: typeof words === 'function' ? words(file) : words,
    adjust: null,
  });

/** Points of salt under plan from which it was left out of this batch, rather than too little of it in the formula. */
const SALT_LEFT_OUT = 0.15;
const moreSalt = by('salt', 1, (value) =>
  message('{value, number} points more salt, weighed and not spooned.', { value }),
);

/** What to change for each cause, from how far the batch was off. */
export const CHANGES: Record<Cause, (off: number, file: CaseFile) => Change> = {
  'too-dry': by('water', 1, (value) =>
    message('{value, number} points more water, and weigh the flour instead of scooping it.', { value }),
  ),
  'too-wet': by('water', -1, (value) => message('{value, number} points less water.', { value })),
  'bench-flour': say('Dust half as much, and brush each disc before it goes on.'),
  'rest-short': by('rest', 1, (value) =>
    message('Rest {value, number} min longer before rolling.', { value }),
  ),
  'over-kneaded': by('knead', -1, (value) =>
    message('Knead {value, number} s less, and stop at the test.', { value }),
  ),
  'dough-cold': by('rest', 1, (value) =>
    message('Warmer liquid, or {value, number} min more rest in the warm.', { value }),
  ),
  'plate-cold': by('plate', 1, (value) =>
    message('Plate {value} hotter, and wait until it is there.', { value: { kelvin: value } }),
  ),
  'plate-hot': by('plate', -1, (value) =>
    message('Plate {value} cooler; wipe it damp between batches.', { value: { kelvin: value } }),
  ),
  'time-long': by('sides', -1, (value) => message('{value, number} s less on each side.', { value })),
  'time-short': by('sides', 1, (value) => message('{value, number} s more on each side.', { value })),
  thick: by('thickness', -1, (value) => message('Roll {value} thinner.', { value: { mm: value } })),
  thin: by('thickness', 1, (value) => message('Roll {value} thicker.', { value: { mm: value } })),
  uneven: say(
    'Roll from the middle outwards, a quarter turn each time: roll out a thick edge, stop short of a thin one.',
  ),
  'balls-uneven': say(({ facts }) =>
    message('Weigh each ball to {target}, or cut by the guide.', { target: { g: facts.balls.targetG } }),
  ),
  'loose-flour': say('Brush the discs, and wipe the plate with a damp cloth every few pieces.'),
  'skin-dried': say(
    'Cover balls and discs with a damp cloth; roll no further ahead than the flatten step says.',
  ),
  unwrapped: say('Stack hot and wrap at once: steam keeps it soft.'),
  'fat-low': say('Weigh the fat, and scrape all of it into the bowl.'),
  'little-bench-flour': say('Dust bench and pin for each disc, and brush it off before the plate.'),
  'dirty-plate': say('Wipe the plate after every few pieces; scrape it when it is cold.'),
  'ball-not-round': say('Round each ball tight, its seam below, and press it flat from the middle first.'),
  'sides-unequal': say(({ plan }) =>
    message('Turn by the clock: {sides}.', {
      sides: {
        list: plan.formula.bake.sides.map(({ seconds }) => message('{seconds, number} s', { seconds })),
        glue: ', then ',
      },
    }),
  ),
  'plate-uneven': say('Map the plate, and use the places that agree; move each piece once.'),
  'few-turns': say(
    'One more turn for a lazy one: ten seconds more on its first side, pressed lightly with a cloth.',
  ),
  holed: say('Roll without folds, on a bench without crumbs; a torn disc goes back into a ball.'),
  'face-dry': say('Wet the whole face just before it goes on, to its edge.'),
  'plate-oily': say('Wipe the iron dry, no oil: it holds the bread by its wet face.'),
  'salt-low': (off) =>
    off > SALT_LEFT_OUT
      ? { words: 'Weigh the salt beside the flour before anything is mixed.', adjust: null }
      : moreSalt(off),
  'fat-high': say('Weigh the fat, and wipe the plate dry between pieces.'),
  'rest-long': say('End the rest within its window, or put the dough in the fridge sooner.'),
  'salt-high': by('salt', -1, (value) =>
    message('{value, number} points less salt, weighed and not spooned: crystals differ.', { value }),
  ),
};
