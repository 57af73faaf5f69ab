import { formatLength, formatMass, formatTempDifference, type UnitSystem } from '../quantity/formatQuantity';
import type { Adjustment } from '../plan/adjustmentSchema';
import { roundToStep } from '../quantity/roundToStep';
import type { CaseFile } from './evidence';
import type { Cause } from './table';

/** The next change for a cause, in words with numbers; carried into the next plan where a plan has a place for it. */
export interface Change {
  words: string;
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
  (what: Stepped, direction: 1 | -1, words: (value: number, units: UnitSystem) => string) =>
  (off: number, { units }: CaseFile): Change => {
    const value = step(what, off);
    return { words: words(value, units), adjust: { what, value: direction * value } };
  };
const say =
  (words: string | ((file: CaseFile) => string)) =>
  (_off: number, file: CaseFile): Change => ({
    words: typeof words === 'string' ? words : words(file),
    adjust: null,
  });

/** What to change for each cause, from how far the batch was off. */
export const CHANGES: Record<Cause, (off: number, file: CaseFile) => Change> = {
  'too-dry': by(
    'water',
    1,
    (value) => `${value} points more water, and weigh the flour instead of scooping it.`,
  ),
  'too-wet': by('water', -1, (value) => `${value} points less water.`),
  'bench-flour': say('Dust half as much, and brush each disc before it goes on.'),
  'rest-short': by('rest', 1, (value) => `Rest ${value} min longer before rolling.`),
  'over-kneaded': by('knead', -1, (value) => `Knead ${value} s less, and stop at the test.`),
  'dough-cold': by('rest', 1, (value) => `Warmer liquid, or ${value} min more rest in the warm.`),
  'plate-cold': by(
    'plate',
    1,
    (value, units) => `Plate ${formatTempDifference(value, units)} hotter, and wait until it is there.`,
  ),
  'plate-hot': by(
    'plate',
    -1,
    (value, units) => `Plate ${formatTempDifference(value, units)} cooler; wipe it damp between batches.`,
  ),
  'time-long': by('sides', -1, (value) => `${value} s less on each side.`),
  'time-short': by('sides', 1, (value) => `${value} s more on each side.`),
  thick: by('thickness', -1, (value, units) => `Roll ${formatLength(value, units)} thinner.`),
  thin: by('thickness', 1, (value, units) => `Roll ${formatLength(value, units)} thicker.`),
  uneven: say('Roll from the middle outwards, a quarter turn each time; stop short of the edge.'),
  'balls-uneven': say(
    ({ facts, units }) =>
      `Weigh each ball to ${formatMass(facts.balls.targetG, 1, units)}, or cut by the guide.`,
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
  'sides-unequal': say(
    ({ plan }) =>
      `Turn by the clock: ${plan.formula.bake.sides.map(({ seconds }) => `${seconds} s`).join(', then ')}.`,
  ),
  'plate-uneven': say('Map the plate, and use the places that agree; move each piece once.'),
  holed: say('Roll without folds, on a bench without crumbs; a torn disc goes back into a ball.'),
  'face-dry': say('Wet the whole face just before it goes on, to its edge.'),
  'plate-oily': say('Wipe the iron dry, no oil: it holds the bread by its wet face.'),
  'salt-high': by(
    'salt',
    -1,
    (value) => `${value} points less salt, weighed and not spooned: crystals differ.`,
  ),
};
