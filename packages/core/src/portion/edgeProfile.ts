/** How a disc is thicker or thinner at its rim. */
export interface EdgeProfile {
  /** Width of the rim, as a share of the radius, 0 to 1. */
  rim: number;
  /** Thickness of the rim over that of the middle: 1 is even, 0.7 a thin edge. */
  ratio: number;
}

export const EVEN_DISC: EdgeProfile = { rim: 0, ratio: 1 };

/** Area share of a rim. */
const rimArea = (rim: number): number => 1 - (1 - rim) ** 2;

/**
 * Middle, rim and thinnest place of a disc whose mean thickness is known, mm.
 * @param meanMm mean, mm
 * @param edge how the rim differs
 */
export function profileThickness(
  meanMm: number,
  { rim, ratio }: EdgeProfile,
): { middleMm: number; rimMm: number; thinnestMm: number } {
  const share = rimArea(rim);
  const middleMm = meanMm / (1 - share + ratio * share);
  const rimMm = middleMm * ratio;
  return { middleMm, rimMm, thinnestMm: rim > 0 ? Math.min(middleMm, rimMm) : middleMm };
}
