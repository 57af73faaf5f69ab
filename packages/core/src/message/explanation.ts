/** Why a number is what it is, for whoever asks. */
export interface Explanation {
  title: string;
  value: string;
  /** The equation in words. */
  equation: string;
  inputs: { label: string; value: string }[];
  /** What would change it. */
  changes: string[];
}
