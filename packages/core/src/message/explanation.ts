import type { Words } from './message';

/** Why a number is what it is, for whoever asks. */
export interface Explanation {
  title: Words;
  value: Words;
  /** The equation in words. */
  equation: Words;
  inputs: { label: Words; value: Words }[];
  /** What would change it. */
  changes: Words[];
}
