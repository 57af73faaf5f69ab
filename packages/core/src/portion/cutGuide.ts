/** One round of cutting: every part there is goes into so many. */
export interface CutRound {
  into: number;
  /** Parts there are after it. */
  parts: number;
  /** What each of them should show on the scale, grams. */
  partG: number;
  /** By eye with a knife, or weighed off one by one where the eye cannot do it. */
  how: 'cut' | 'weigh';
}

/** More than this is not cut from one dough by halving; the dough is divided in two first. */
export const MOST_GUIDED = 60;
/** What a knife divides by eye. */
const BY_EYE = [2, 3, 5] as const;

/**
 * How to cut a dough into equal parts: halvings, then thirds and fifths, each with the weight a part should show; what is left
 * (sevenths, elevenths …) is weighed off. 14 is a halving and then sevenths.
 * @param pieces 1 to 60
 * @param doughG dough that goes into the pieces, grams
 * @returns rounds with the g that a part should show
 * @throws RangeError for more pieces than a guide is drawn for
 */
export function cutGuide(pieces: number, doughG: number): CutRound[] {
  if (!Number.isInteger(pieces) || pieces < 1 || pieces > MOST_GUIDED) {
    throw new RangeError(`a cut guide is for 1 to ${MOST_GUIDED} pieces`);
  }
  const rounds: CutRound[] = [];
  let parts = 1;
  const go = (into: number, how: CutRound['how']) => {
    parts *= into;
    rounds.push({ into, parts, partG: doughG / parts, how });
  };
  for (const into of BY_EYE) while ((pieces / parts) % into === 0) go(into, 'cut');
  if (parts < pieces) go(pieces / parts, 'weigh');
  return rounds;
}
