import type { BakeOutcome } from '../model/outcome';
import type { ProductStandard } from '../../formula/methodSchema';

/** What a bake must come to. Shares are percent, as the model gives them. */
export interface BakeStandard {
  /** Spot cover to aim at, and the least that is still sold, percent of a face. */
  coverAim: number;
  coverLeast: number;
  charMost: number;
  /** Least gelatinisation anywhere, 0 to 1. */
  gelatinised: number;
  /** Wet-basis moisture below which it no longer folds, percent. */
  moistureLeast: number;
  /** Puff index to reach; 0 asks for none. */
  puffLeast: number;
}

/** The common standard: freckles on both sides, cooked through, still pliable. */
export const COMMON_STANDARD: BakeStandard = {
  coverAim: 15,
  coverLeast: 5,
  charMost: 3,
  gelatinised: 0.8,
  moistureLeast: 27,
  puffLeast: 0,
};

/** Assumptions: what the words of a product standard mean in figures. */
const COVER_AIM = { pale: 3, 'light freckles': 8, freckles: 15, 'deep freckles': 28 } as const;
/** Where deep freckles are wanted some of them are black. */
const CHAR_MOST = { pale: 1, 'light freckles': 3, freckles: 3, 'deep freckles': 8 } as const;
/** The least that is sold, as a share of the aim. */
const LEAST_OF_AIM = 1 / 3;
const MOISTURE_LEAST = {
  'rolls up tight': 28,
  'folds in half': 27,
  // Asked of thin sheets, which bend easily.
  'folds in quarters': 20,
  'stays crisp': 8,
} as const;
const PUFF_LEAST = { flat: 0, 'small bubbles': 0, 'large bubbles': 0.7, 'full pocket': 1 } as const;

/** The figures behind a product's words; the common standard where it says nothing. */
export function standardOf({ spots, fold, puff }: ProductStandard): BakeStandard {
  const coverAim = spots ? COVER_AIM[spots] : COMMON_STANDARD.coverAim;
  return {
    ...COMMON_STANDARD,
    coverAim,
    coverLeast: coverAim * LEAST_OF_AIM,
    charMost: spots ? CHAR_MOST[spots] : COMMON_STANDARD.charMost,
    moistureLeast: fold ? MOISTURE_LEAST[fold] : COMMON_STANDARD.moistureLeast,
    puffLeast: puff ? PUFF_LEAST[puff] : 0,
  };
}

/** What a bake falls short of, and what it goes past. More time or more heat cures the first and brings the second. */
export const SHORTS = ['pale first side', 'pale second side', 'raw', 'middle', 'no puff'] as const;
export const OVERS = ['burnt', 'dry'] as const;
export type Short = (typeof SHORTS)[number];
export type Over = (typeof OVERS)[number];

export interface Verdict {
  short: Short[];
  over: Over[];
}

/** Judges a bake; `cover` is the least cover asked for, the standard's least when not said. */
export function judge(outcome: BakeOutcome, standard: BakeStandard, cover = standard.coverLeast): Verdict {
  const short: Short[] = [];
  if (outcome.cover[0] < cover) short.push('pale first side');
  if (outcome.cover[1] < cover) short.push('pale second side');
  if (outcome.gelatinised < standard.gelatinised) short.push('raw');
  if (outcome.cookedS === null) short.push('middle');
  if (outcome.puffIndex < standard.puffLeast) short.push('no puff');
  const over: Over[] = [];
  if (Math.max(...outcome.char) > standard.charMost) over.push('burnt');
  if (outcome.moisture < standard.moistureLeast) over.push('dry');
  return { short, over };
}

export const isGood = ({ short, over }: Verdict): boolean => short.length === 0 && over.length === 0;
