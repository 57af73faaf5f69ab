import type { BakeRequest } from './bakeRequest';

/** Times and the share of pieces that come out in standard with them. */
export interface RobustTimes {
  seconds: number[];
  share: number;
  /** With the times asked about. */
  givenSeconds: number[];
  givenShare: number;
  pieces: number;
}

/** Nodes of response surfaces in standard deviations; pieces beyond the last are read on from it. */
export const NODES = [-2.6, -1.3, 0, 1.3, 2.6] as const;
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

/** The last time that most intervals hold, in the middle of where they do, and how many hold it. */
export function mostCovered(suits: readonly [number, number][]): { at: number; count: number } {
  const ends = suits.flatMap(([from, to]): [number, number][] => [
    [from, 1],
    [to, -1],
  ]);
  ends.sort((a, b) => a[0] - b[0] || b[1] - a[1]);
  let open = 0;
  let best = { at: 0, count: 0 };
  ends.forEach(([at, change], index) => {
    open += change;
    if (open > best.count) best = { at: (at + (ends[index + 1]?.[0] ?? at)) / 2, count: open };
  });
  return best;
}
