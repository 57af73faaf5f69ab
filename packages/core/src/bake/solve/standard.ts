import type { BakeOutcome } from '../model/outcome';
import type { BakeProgram, ProductStandard } from '../../formula/methodSchema';

/** Of the side that goes down first, and of the other. */
export type BySide = readonly [number, number];

/** What a bake must come to. Shares are percent, as the model gives them. */
export interface BakeStandard {
  /** Spot cover to aim at, and the least that is still sold, percent of a face. */
  coverAim: BySide;
  coverLeast: BySide;
  charMost: number;
  /** Least gelatinisation anywhere, 0 to 1: what cooked through means. */
  gelatinised: number;
  /** Moisture of the bread without its fat below which a piece of 2 mm no longer folds, percent. */
  moistureLeast: number;
  /** Puff index to reach; 0 asks for none. */
  puffLeast: number;
}

/** The common standard: freckles on both sides, cooked through, still pliable. */
export const COMMON_STANDARD: BakeStandard = {
  coverAim: [15, 15],
  coverLeast: [5, 5],
  charMost: 3,
  gelatinised: 0.8,
  moistureLeast: 27,
  puffLeast: 0,
};

/** Assumptions: what the words of a product standard mean in figures. */
const COVER_AIM = {
  'pale and soft': 0,
  pale: 3,
  'light freckles': 8,
  freckles: 15,
  'deep freckles': 28,
} as const;
/** Where deep freckles are wanted some of them are black. */
const CHAR_MOST = {
  'pale and soft': 1,
  pale: 1,
  'light freckles': 3,
  freckles: 3,
  'deep freckles': 8,
} as const;
/** The least that is sold, as a share of the aim. */
export const LEAST_OF_AIM = 1 / 3;
const MOISTURE_LEAST = {
  'rolls up tight': 28,
  'folds in half': 27,
  // Asked of thin sheets, which bend easily.
  'folds in quarters': 20,
  'stays crisp': 8,
} as const;
/** Drier than this by so many points off the plate, a sheet bends again once it has steamed in the stack (assumption). */
const STACK_GIVES_POINTS = 8;
const DRIEST = 8;
const PUFF_LEAST = { flat: 0, 'small bubbles': 0, 'large bubbles': 0.7, 'full pocket': 1 } as const;

/** Twice the freckles that were asked for are darker than asked, though still sold; never less than this, percent. */
const LEAST_DARK = 10;
const DARK_OF_AIM = 2;
const MOST_DARK = 44;
export const darkCover = (coverAim: number): number =>
  Math.min(MOST_DARK, Math.max(LEAST_DARK, DARK_OF_AIM * coverAim));

/** A sheet bends at less water than a thick bread: so many points for each millimetre below this, and never below that. */
const BENDS = { mm: 2, pointsPerMm: 5, driest: 20 } as const;

/**
 * The moisture, percent of the fat-free bread, from which a piece of this thickness is pliable as asked.
 * @param standard what is asked
 * @param thicknessMm mm
 * @returns %
 */
export function pliableFrom({ moistureLeast }: BakeStandard, thicknessMm: number): number {
  const thinner = moistureLeast - BENDS.pointsPerMm * Math.max(0, BENDS.mm - thicknessMm);
  return Math.min(moistureLeast, Math.max(BENDS.driest, thinner));
}

/** No plate leaves less black than this, percent of a face. */
const LEAST_CHAR = 0.5;
const PERCENT = 100;

/** A bread that is passed over a flame has black specks, and is sold with them, percent of a face. */
const FLAMED_CHAR = 8;

/**
 * The figures behind a product's words; the common standard where it says nothing.
 * @param product the product's words
 * @param finish fire that ends the bake, if any
 */
export function standardOf(
  {
    spots,
    secondSpots,
    fold,
    puff,
    black,
    pliable,
  }: Pick<ProductStandard, 'spots' | 'secondSpots' | 'fold' | 'puff' | 'black' | 'pliable'>,
  finish?: BakeProgram['finish'],
): BakeStandard {
  const words = [spots ?? 'freckles', secondSpots ?? spots ?? 'freckles'] as const;
  const usualChar = Math.max(
    ...words.map((word) => CHAR_MOST[word]),
    finish?.kind === 'flame' ? FLAMED_CHAR : 0,
  );
  const moistureLeast = fold ? MOISTURE_LEAST[fold] : COMMON_STANDARD.moistureLeast;
  const coverAim: BySide = [COVER_AIM[words[0]], COVER_AIM[words[1]]];
  return {
    ...COMMON_STANDARD,
    coverAim,
    coverLeast: [coverAim[0] * LEAST_OF_AIM, coverAim[1] * LEAST_OF_AIM],
    charMost: black === undefined ? usualChar : Math.max(LEAST_CHAR, PERCENT * black),
    moistureLeast:
      pliable === 'after the stack' ? Math.max(DRIEST, moistureLeast - STACK_GIVES_POINTS) : moistureLeast,
    puffLeast: puff ? PUFF_LEAST[puff] : 0,
  };
}

/** What a bake falls short of, and what it goes past. More time or more heat cures the first and brings the second. */
export const SHORTS = ['pale first side', 'pale second side', 'raw', 'no puff'] as const;
export const OVERS = ['burnt', 'dry'] as const;
export type Short = (typeof SHORTS)[number];
export type Over = (typeof OVERS)[number];

export interface Verdict {
  short: Short[];
  over: Over[];
}

/**
 * Judges a bake by the colour that is aimed at, or by the least that is still sold.
 * @param outcome what a bake came to
 * @param standard what is asked
 * @param by against which colour
 */
export function judge(
  outcome: BakeOutcome,
  standard: BakeStandard,
  by: 'coverLeast' | 'coverAim' = 'coverLeast',
): Verdict {
  const [first, second] = standard[by];
  const short: Short[] = [];
  if (outcome.cover[0] < first) short.push('pale first side');
  if (outcome.cover[1] < second) short.push('pale second side');
  if (outcome.gelatinised < standard.gelatinised) short.push('raw');
  if (outcome.puffIndex < standard.puffLeast) short.push('no puff');
  const over: Over[] = [];
  if (Math.max(...outcome.char) > standard.charMost) over.push('burnt');
  if (outcome.fatFreeMoisture < pliableFrom(standard, outcome.thicknessMm)) over.push('dry');
  return { short, over };
}

/**
 * @param verdict what is short and what is over
 */
export const isGood = ({ short, over }: Verdict): boolean => short.length === 0 && over.length === 0;
