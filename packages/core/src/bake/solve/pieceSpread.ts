import type { BakeRequest } from './bakeRequest';
import { type Spreads, evenDraws, thicknessSdMm } from './spreads';

/** What a piece is lost for: not done, or burnt or dry. */
export type Lost = 'under' | 'over';

/** Times and the share of pieces that come out in standard with them. */
export interface RobustTimes {
  seconds: number[];
  share: number;
  /** Of the others, which share is lost for what. */
  lost: Record<Lost, number>;
  /** With the times asked about. */
  givenSeconds: number[];
  givenShare: number;
  pieces: number;
}

/** Nodes of response surfaces in standard deviations; pieces beyond the last are read on from it. */
const NODES = [-2.6, -1.3, 0, 1.3, 2.6] as const;
/** Pieces that are drawn for a share. */
export const PIECES = 2000;

/** Times that keep such a share of the most that can be kept are as good. */
export const AS_GOOD = 0.995;
export type Fate = 'good' | Lost;

/**
 * What share of pieces is good, and what share is lost for what.
 * @param fates one for each piece
 */
export function sharesOf(fates: readonly Fate[]): Pick<RobustTimes, 'share' | 'lost'> {
  const part = (fate: Fate) => fates.filter((one) => one === fate).length / fates.length;
  return { share: part('good'), lost: { under: part('under'), over: part('over') } };
}

export const THINNEST_MM = 0.3;

/** Pieces around a mean thickness. */
export interface Spreading {
  meanMm: number;
  spreads: Spreads;
}

/** Thicknesses, mm, and plates, K off the mean, that response surfaces are laid over; and every pair of them. */
export function gridOf({ meanMm, spreads }: Spreading) {
  const thicknesses = NODES.map((z) => Math.max(THINNEST_MM, meanMm + z * thicknessSdMm(spreads, meanMm)));
  const plates = NODES.map((z) => z * spreads.plateC);
  const points = plates.flatMap((plateC) => thicknesses.map((mm) => ({ mm, plateC })));
  return { thicknesses, plates, points };
}

/** One piece of many: its thickness, its plate off the mean, K, and how late hands are with its first side and its last, s. */
export interface DrawnPiece {
  mm: number;
  plateC: number;
  firstErrorS: number;
  lastErrorS: number;
}

/** So many pieces as they spread. */
export function drawPieces({ meanMm, spreads }: Spreading, count: number): DrawnPiece[] {
  const sdMm = thicknessSdMm(spreads, meanMm);
  return evenDraws(count).map(({ thickness, plate, first, last }) => ({
    mm: Math.max(THINNEST_MM, meanMm + thickness * sdMm),
    plateC: plate * spreads.plateC,
    firstErrorS: first * spreads.timingS,
    lastErrorS: last * spreads.timingS,
  }));
}

/**
 * The request for one piece of another thickness on another plate.
 * @param request the bread on its plate
 * @param thicknessMm mm
 * @param plateOffC hotter than the plate's mean, K
 * @returns a new request
 */
export function withPiece(request: BakeRequest, thicknessMm: number, plateOffC: number): BakeRequest {
  const { setup } = request;
  const start = setup.startC ?? { under: setup.plateC, rest: setup.plateC };
  return {
    ...request,
    setup: {
      ...setup,
      thicknessMm,
      plateC: setup.plateC + plateOffC,
      startC: { under: start.under + plateOffC, rest: start.rest + plateOffC },
    },
  };
}

/** The time that most intervals hold, in the middle of where hardly fewer do, and how many hold it. */
export function mostCovered(suits: readonly [number, number][]): { at: number; count: number } {
  const ends = suits.flatMap(([from, to]): [number, number][] => [
    [from, 1],
    [to, -1],
  ]);
  ends.sort((a, b) => a[0] - b[0] || b[1] - a[1]);
  let open = 0;
  const held = ends.map(([at, change], index) => {
    open += change;
    return { from: at, to: ends[index + 1]?.[0] ?? at, count: open };
  });
  const most = held.reduce((top, { count }) => Math.max(top, count), 0);
  const near = held.filter(({ count }) => count >= AS_GOOD * most);
  const [first, last] = [near[0], near.at(-1)];
  return most > 0 && first && last ? { at: (first.from + last.to) / 2, count: most } : { at: 0, count: 0 };
}
