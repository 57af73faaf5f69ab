import { probit } from 'simple-statistics';

/** How pieces and plate differ from their mean, as standard deviations. */
export interface Spreads {
  /** Of the ball weight, as a share: thickness follows it where the diameter is kept. */
  ballShare: number;
  /** Of the thickness beyond that, mm. */
  thicknessMm: number;
  /** Of the plate under a piece, °C: hot spots and drift between readings. */
  plateC: number;
  /** Of the cook's hand on the clock, s. */
  timingS: number;
}

/** A careful kitchen: balls within 3 %, discs within a tenth of a millimetre, plate within 5 °C (assumptions). */
export const USUAL_SPREADS: Spreads = { ballShare: 0.03, thicknessMm: 0.1, plateC: 5, timingS: 1.5 };

/** One piece of many, in standard deviations of thickness, plate, first and last time. */
export interface PieceDraw {
  thickness: number;
  plate: number;
  first: number;
  last: number;
}

/** Fractions of the generalised golden ratio in four dimensions: points that fill a space evenly. */
const GOLDEN_4 = 1.1673039782614187;
const STEPS = [1, 2, 3, 4].map((power) => (1 / GOLDEN_4 ** power) % 1);
const HALF = 0.5;

/**
 * Evenly spread normal draws, the same every time: a sample without luck.
 * @param pieces how many
 * @returns thickness and plate in standard deviations
 */
export function evenDraws(pieces: number): PieceDraw[] {
  return Array.from({ length: pieces }, (_, i) => {
    const [thickness, plate, first, last] = STEPS.map((step) => probit((HALF + (i + 1) * step) % 1));
    return { thickness: thickness ?? 0, plate: plate ?? 0, first: first ?? 0, last: last ?? 0 };
  });
}

/** A spread of nothing has no surface over it: the least there is, mm. */
const LEAST_SPREAD_MM = 1e-3;

/**
 * Spread of the thickness in all, mm.
 * @param spreads of ball and thickness
 * @param meanMm mean, mm
 * @returns mm
 */
export const thicknessSdMm = ({ ballShare, thicknessMm }: Spreads, meanMm: number): number =>
  Math.max(LEAST_SPREAD_MM, Math.hypot(ballShare * meanMm, thicknessMm));
