import { type Words, message } from '../../message/message';
import type { Colour, PieceSeen } from './judging';

interface SideTrim {
  /** Times the seconds that the model gives. */
  factor: number;
  /** Of the next step. */
  step: number;
  /** Direction of the last step: 1 longer, -1 shorter, 0 none yet. */
  last: -1 | 0 | 1;
}

export interface Trim {
  first: SideTrim;
  /** The second side and those after it. */
  later: SideTrim;
  /** Advice for the knob, °C. */
  heatC: number;
}

/** A first step of 8 %, halved when the cook says the opposite, larger when the same again, within 3 and 12 %. */
const STEP = { start: 0.08, least: 0.03, most: 0.12, again: 1.3, back: 0.5, settled: 0.9 } as const;
const FACTOR = { least: 0.6, most: 1.6 } as const;
/** A stiff or a doughy piece changes both sides by so much, and the knob. */
const BITE_STEP = 0.04;
/** Two sides whose seconds moved by less than this apart moved alike. */
const ALIKE = 0.005;
const HEAT = { step: 4, puff: 2, most: 30 } as const;

export const NO_TRIM: Trim = {
  first: { factor: 1, step: STEP.start, last: 0 },
  later: { factor: 1, step: STEP.start, last: 0 },
  heatC: 0,
};

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
const bounded = (factor: number) => clamp(factor, FACTOR.least, FACTOR.most);

function stepSide(side: SideTrim, direction: -1 | 0 | 1): SideTrim {
  if (direction === 0) return { ...side, step: Math.max(STEP.least, side.step * STEP.settled) };
  const change = side.last === 0 ? 1 : side.last === direction ? STEP.again : STEP.back;
  const step = clamp(side.step * change, STEP.least, STEP.most);
  return { factor: bounded(side.factor * (1 + step) ** direction), step, last: direction };
}

const DIRECTION: Record<Colour, -1 | 0 | 1> = { pale: 1, right: 0, dark: -1 };

export interface Trimmed {
  trim: Trim;
  /** What changed and why, a sentence each. */
  words: Words[];
}

interface MovedSide {
  side: 1 | 2;
  seen: Colour;
  /** Its seconds after the word, over those before. */
  ratio: number;
}

const by = (ratio: number) => ({
  share: { share: Math.abs(ratio - 1) },
  change: ratio > 1 ? 'longer' : 'shorter',
});

function sideWords({ side, seen, ratio }: MovedSide): Words[] {
  if (ratio !== 1) return [message('Side {side, number}: {share} {change}.', { side, ...by(ratio) })];
  return seen === 'right' ? [] : [message('Side {side, number} at its limit: change the heat.', { side })];
}

/** Each side that moved; one sentence where both moved alike. */
function movedWords(moved: readonly MovedSide[]): Words[] {
  const [first, second] = moved;
  const alike = first && second && first.ratio !== 1 && Math.abs(first.ratio - second.ratio) < ALIKE;
  return alike ? [message('Both sides: {share} {change}.', by(first.ratio))] : moved.flatMap(sideWords);
}

/**
 * Moves the next piece's times and the heat by what the cook says of this one. Steps are bounded; they shrink when they
 * overshoot and grow when they fall short, so over a shift they settle, and follow a plate that drifts.
 * @param trim the trim so far
 * @param seen what was said of a piece
 * @returns the new trim, with the sentence that says so
 */
export function trimBy(trim: Trim, seen: PieceSeen): Trimmed {
  const words: Words[] = [];
  let { first, later, heatC } = trim;
  const colours = [seen.firstSide, seen.secondSide];
  const pale = colours.includes('pale');
  const dark = colours.includes('dark');
  // Dry before it is brown, or black before it is done: time cannot cure that, heat can.
  const tooCold = seen.bite === 'stiff' && pale;
  const tooHot = seen.bite === 'soft' && dark;
  if (!tooCold && !tooHot) {
    const moved: MovedSide[] = [];
    if (seen.firstSide) {
      const next = stepSide(first, DIRECTION[seen.firstSide]);
      moved.push({ side: 1, seen: seen.firstSide, ratio: next.factor / first.factor });
      first = next;
    }
    if (seen.secondSide) {
      const next = stepSide(later, DIRECTION[seen.secondSide]);
      moved.push({ side: 2, seen: seen.secondSide, ratio: next.factor / later.factor });
      later = next;
    }
    words.push(...movedWords(moved));
    if (seen.bite === 'stiff' || seen.bite === 'soft') {
      const factor = seen.bite === 'stiff' ? 1 - BITE_STEP : 1 + BITE_STEP;
      first = { ...first, factor: bounded(first.factor * factor) };
      later = { ...later, factor: bounded(later.factor * factor) };
      words.push(
        seen.bite === 'stiff' ? 'Stiff: both sides 4 % shorter.' : 'Soft inside: both sides 4 % longer.',
      );
    }
  }
  const heatBy =
    tooCold || (seen.bite === 'stiff' && !dark)
      ? HEAT.step
      : tooHot
        ? -HEAT.step
        : seen.puffed === false && !dark
          ? HEAT.puff
          : 0;
  if (heatBy !== 0) {
    const next = clamp(heatC + heatBy, -HEAT.most, HEAT.most);
    if (next !== heatC) {
      const why = tooCold
        ? 'Dry before it is brown'
        : tooHot
          ? 'Dark before it is done'
          : seen.bite === 'stiff'
            ? 'Stiff'
            : 'No puff';
      words.push(
        message('{why}: the plate {heatBy} {hotter}.', {
          why,
          heatBy: { kelvin: heatBy },
          hotter: heatBy > 0 ? 'hotter' : 'cooler',
        }),
      );
    } else {
      words.push('Heat advice at its limit: check the thickness.');
    }
    heatC = next;
  }
  if (words.length === 0) words.push('Nothing to change.');
  return { trim: { first, later, heatC }, words };
}

/**
 * Trim after all that was said in a shift, in order.
 * @param seen what was said, oldest first
 */
export const trimOf = (seen: readonly PieceSeen[]): Trim =>
  seen.reduce<Trim>((trim, one) => trimBy(trim, one).trim, NO_TRIM);

/**
 * The seconds of a piece's sides with the trim.
 * @param seconds s by side
 * @param trim the trim
 * @returns s by side
 */
export const trimmedSeconds = (seconds: readonly number[], { first, later }: Trim): number[] =>
  seconds.map((s, side) => s * (side === 0 ? first.factor : later.factor));
