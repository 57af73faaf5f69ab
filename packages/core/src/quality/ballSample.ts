import { type Words, message } from '../message/message';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import { roundToStep } from '../quantity/roundToStep';
import { normalBelow, tReach } from './distributions';

/** What balls should weigh. */
export interface BallStandard {
  targetG: number;
  /** Off by at most this on either side. */
  toleranceG: number;
  /** Ingredients in a gram of dough, in the kitchen's money. */
  costPerG: number;
}

export const USUAL_SAMPLE = 5;
const CONFIDENCE = 0.95;
const PER_HUNDRED = 100;
/** Six standard deviations are the width of a process; half of it reaches to a limit. */
const SIGMAS = 3;
/** An aim off by less than this share of the tolerance is not worth a word. */
const AIM_WORTH = 0.1;

/** A hand leans by half grams at best. */
const LEAN_STEP_G = 0.5;

/** What a sample of balls says of all of them. Masses in grams. */
export interface BallSample {
  n: number;
  meanG: number;
  /** The rest is null until there are two. */
  sdG: number | null;
  /** 95 % interval of the mean, by Student's t. */
  lowG: number | null;
  highG: number | null;
  /** Share of all balls outside of the tolerance, if they spread normally. */
  outShare: number | null;
  /** Given away with every piece (below zero: short). */
  giveAwayG: number;
  /** In the kitchen's money, per hundred pieces. */
  giveAwayPer100: number;
  /** Tolerance over spread, as it could be and as it is aimed. */
  cp: number | null;
  cpk: number | null;
}

/**
 * Mean, spread, share out of tolerance and give-away of weighed balls.
 * @param ballsG at least one
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.1.6 and 7.2.2.
 */
export function ballSample(
  ballsG: readonly number[],
  { targetG, toleranceG, costPerG }: BallStandard,
): BallSample {
  const n = ballsG.length;
  const meanG = mean([...ballsG]);
  const giveAwayG = meanG - targetG;
  const base = { n, meanG, giveAwayG, giveAwayPer100: giveAwayG * costPerG * PER_HUNDRED };
  if (n < 2) return { ...base, sdG: null, lowG: null, highG: null, outShare: null, cp: null, cpk: null };
  const sdG = sampleStandardDeviation([...ballsG]);
  const reach = (tReach(CONFIDENCE, n - 1) * sdG) / Math.sqrt(n);
  const above = targetG + toleranceG - meanG;
  const below = meanG - (targetG - toleranceG);
  const outShare =
    sdG === 0
      ? Number(above < 0 || below < 0)
      : 1 - normalBelow(above / sdG) + (1 - normalBelow(below / sdG));
  return {
    ...base,
    sdG,
    lowG: meanG - reach,
    highG: meanG + reach,
    outShare,
    cp: sdG === 0 ? Infinity : toleranceG / (SIGMAS * sdG),
    cpk: sdG === 0 ? Infinity : Math.min(above, below) / (SIGMAS * sdG),
  };
}

/** What to do about a sample: its aim, its spread, both, or nothing. */
export interface BallAdvice {
  about: 'more' | 'good' | 'aim' | 'spread' | 'both';
  /** The act alone, for a screen that is read in two seconds. */
  act: Words;
  /** One sentence: the act and what it is for. */
  words: Words;
}

/**
 * Tells aim from spread: an aim is moved by cutting lighter or heavier, a spread only by weighing each ball.
 * @param sample its figures
 * @param standard target and tolerance, g
 * @returns what to do, with how far to move the aim
 */
export function ballAdvice(sample: BallSample, { targetG, toleranceG }: BallStandard): BallAdvice {
  const { sdG, lowG, highG, cp, outShare, giveAwayG } = sample;
  if (sdG === null || lowG === null || highG === null || cp === null || outShare === null) {
    return {
      about: 'more',
      act: 'One more.',
      words: 'Weigh one more at least: one ball says nothing of the spread.',
    };
  }
  const offAim = (targetG < lowG || targetG > highG) && Math.abs(giveAwayG) > AIM_WORTH * toleranceG;
  const wide = cp < 1;
  const leanG = roundToStep(Math.max(LEAN_STEP_G, Math.abs(giveAwayG)), LEAN_STEP_G);
  const lean = message('Cut {lean} {giveAway}', {
    lean: { g: leanG, stepG: Number.isInteger(leanG) ? 1 : LEAN_STEP_G },
    giveAway: giveAwayG > 0 ? 'lighter' : 'heavier',
  });
  if (offAim && wide) {
    return {
      about: 'both',
      act: message('{lean}; weigh each.', { lean }),
      words: message('{lean}, and weigh each ball: aim and spread are both off.', { lean }),
    };
  }
  if (offAim) {
    return {
      about: 'aim',
      act: message('{lean}.', { lean }),
      words: message('{lean}: your aim is off, your spread is good.', { lean }),
    };
  }
  if (wide) {
    return {
      about: 'spread',
      act: 'Weigh each ball.',
      words: message(
        'Your spread, not your aim, is the problem: about {outShare} are outside. Weigh each ball, or cut by the guide.',
        { outShare: { share: outShare } },
      ),
    };
  }
  return { about: 'good', act: 'Good: go on.', words: 'Aim and spread are good: go on like this.' };
}
