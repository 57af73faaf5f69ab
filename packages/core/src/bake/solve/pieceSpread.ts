import type { BakeRequest } from './bakeRequest';

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
export const NODES = [-2.6, -1.3, 0, 1.3, 2.6] as const;
/** Pieces that are drawn for a share. */
export const PIECES = 2000;

/** Times that keep such a share of the most that can be kept are as good. */
export const AS_GOOD = 0.995;
/** Counts as shares of all. */
export const shares = <K extends string>(counts: Record<K, number>, all: number): Record<K, number> =>
  Object.fromEntries(Object.entries<number>(counts).map(([key, count]) => [key, count / all])) as Record<
    K,
    number
  >;

export const THINNEST_MM = 0.3;

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
