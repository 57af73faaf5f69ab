import { type Words, message } from '../message/message';
import type { Cause } from './table';

/** A test that tells whether a cause is there: what to do, what it costs, how sure its answer is. */
export interface CheapTest {
  question: () => Words;
  /** Minutes of a cook. */
  minutes: number;
}

/** The cheapest test of each cause; answered yes when the cause is there. */
export const TESTS: Record<Cause, CheapTest> = {
  'too-dry': { question: () => 'Press a raw scrap flat: does its edge crack?', minutes: 0.5 },
  'too-wet': { question: () => 'Touch a raw ball: does it stick to a dry finger?', minutes: 0.2 },
  'bench-flour': { question: () => 'Brush a raw disc: does flour fall off?', minutes: 0.2 },
  'rest-short': { question: () => 'Poke a ball: does the dent spring right back?', minutes: 0.2 },
  'over-kneaded': { question: () => 'Stretch a scrap: does it tear at once, tight as rubber?', minutes: 0.5 },
  'dough-cold': {
    question: () => message('Probe a ball: is it below {formatTemp}?', { formatTemp: { tempC: 20 } }),
    minutes: 1,
  },
  'plate-cold': {
    question: () =>
      message('Read the plate: is it more than {formatTempDifference} under plan?', {
        formatTempDifference: { kelvin: 10 },
      }),
    minutes: 0.5,
  },
  'plate-hot': {
    question: () =>
      message('Read the plate: is it more than {formatTempDifference} over plan?', {
        formatTempDifference: { kelvin: 10 },
      }),
    minutes: 0.5,
  },
  'time-long': { question: () => 'Time one piece: does it lie longer than the program?', minutes: 1.5 },
  'time-short': { question: () => 'Time one piece: does it lie shorter than the program?', minutes: 1.5 },
  thick: { question: () => 'Measure a disc in the middle: thicker than planned?', minutes: 1 },
  thin: { question: () => 'Measure a disc in the middle: thinner than planned?', minutes: 1 },
  uneven: {
    question: () => 'Hold a disc to the light: is it thinner at the edge or on one side?',
    minutes: 0.3,
  },
  'balls-uneven': {
    question: () => 'Weigh five balls: do they differ by more than the tolerance?',
    minutes: 1,
  },
  'loose-flour': {
    question: () => 'Wipe the plate with a damp cloth: is it black with flour?',
    minutes: 0.5,
  },
  'skin-dried': { question: () => 'Look at the balls: is there a dry skin?', minutes: 0.2 },
  unwrapped: { question: () => 'Was the bread left open after baking?', minutes: 0.1 },
  'fat-low': { question: () => 'Was the fat weighed and all of it in the bowl?', minutes: 0.2 },
  'little-bench-flour': { question: () => 'Dust one disc well: does it roll without a tear?', minutes: 0.5 },
  'dirty-plate': {
    question: () => 'Wipe the plate with a white cloth: does a crust come off?',
    minutes: 0.5,
  },
  'ball-not-round': {
    question: () => 'Look at three balls from above: is one longer or open at its seam?',
    minutes: 0.2,
  },
  'sides-unequal': {
    question: () => 'Time both sides of one piece: does the hard one lie longer?',
    minutes: 1.5,
  },
  'plate-uneven': {
    question: () =>
      message('Read the plate in the middle and at the rim: do they differ by {formatTempDifference}?', {
        formatTempDifference: { kelvin: 20 },
      }),
    minutes: 1,
  },
  'few-turns': {
    question: () => 'Turn a flat piece once more and press it lightly with a cloth: does it fill?',
    minutes: 0.3,
  },
  holed: { question: () => 'Hold a disc to the light: is there a hole or a fold in it?', minutes: 0.2 },
  'face-dry': { question: () => 'Wet one face all over and try: does it hold?', minutes: 0.5 },
  'plate-oily': { question: () => 'Wipe the iron with a dry cloth: does it come away greasy?', minutes: 0.3 },
  'salt-low': { question: () => 'Was the salt weighed and all of it in the bowl?', minutes: 0.2 },
  'fat-high': {
    question: () => 'Lay a baked piece on paper: does it leave a wet mark?',
    minutes: 0.5,
  },
  'rest-long': { question: () => 'Smell a raw ball: is it sour, like yogurt or beer?', minutes: 0.2 },
  'salt-high': { question: () => 'Was salt measured by the spoon, or another salt used?', minutes: 0.2 },
};

/** Tests whose yes means the opposite of trouble. */
export const YES_CLEARS: ReadonlySet<Cause> = new Set(['fat-low', 'salt-low']);
