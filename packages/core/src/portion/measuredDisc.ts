import { max, mean, min, sampleStandardDeviation } from 'simple-statistics';
import type { EdgeProfile } from './edgeProfile';

/** Where a thickness is taken: the middle, and the rim in four directions. */
export const DISC_PLACES = ['middle', 'far edge', 'right edge', 'near edge', 'left edge'] as const;
export type DiscPlace = (typeof DISC_PLACES)[number];

export interface ThicknessAt {
  place: DiscPlace;
  mm: number;
}

/** What two diameters and a few thicknesses say of a disc. */
export interface MeasuredDisc {
  /** Of the circle with the same area: √(d1·d2). */
  diameterMm: number;
  /** How much longer one way than the other, a share. */
  outOfRound: number;
  /** Null where no thickness was taken. */
  thickness: {
    meanMm: number;
    thinnest: ThicknessAt;
    thickest: ThicknessAt;
    /** Standard deviation over mean; 0 is a perfectly even disc. */
    unevenness: number;
    /** Rim against middle, where both were taken. */
    profile: EdgeProfile | null;
  } | null;
}

/** The rim that an edge reading stands for, as a share of the radius (assumption: a finger's width of an ordinary disc). */
const RIM_SHARE = 0.15;

/**
 * Summarises a disc as it was measured. Diameters and thicknesses in mm.
 * @param diameters two across, mm
 * @param thicknesses thickness by place, mm
 * @returns mean, roundness and edge
 */
export function measuredDisc(
  [aMm, bMm]: readonly [number, number],
  thicknesses: readonly ThicknessAt[],
): MeasuredDisc {
  const diameterMm = Math.sqrt(aMm * bMm);
  const outOfRound = Math.abs(aMm - bMm) / diameterMm;
  const [first] = thicknesses;
  if (!first) return { diameterMm, outOfRound, thickness: null };
  const values = thicknesses.map(({ mm }) => mm);
  const at = (value: number) => thicknesses.find(({ mm }) => mm === value) ?? first;
  const middle = thicknesses.find(({ place }) => place === 'middle');
  const rims = thicknesses.flatMap(({ place, mm }) => (place === 'middle' ? [] : [mm]));
  const profile = middle && rims.length > 0 ? { rim: RIM_SHARE, ratio: mean(rims) / middle.mm } : null;
  const meanMm = mean(values);
  return {
    diameterMm,
    outOfRound,
    thickness: {
      meanMm,
      thinnest: at(min(values)),
      thickest: at(max(values)),
      unevenness: values.length > 1 ? sampleStandardDeviation(values) / meanMm : 0,
      profile,
    },
  };
}
