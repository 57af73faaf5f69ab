import { type BakeQuestion, ownSecondsWords, rangesOf } from '@kettle-scale/core/bake';
import { useWork } from '../workers/useWork';
import { say } from '../reader/say';

/** What the model says of a formula's own seconds; null while it is asked. */
export interface OwnSeconds {
  /** The range of each side that they lie in; none where they lie outside. */
  ranges: readonly string[];
  words: string;
}

/** A formula's own seconds on the plate that it is baked on, as every screen shows them. */
export function useOwnSeconds(question: BakeQuestion | null): OwnSeconds | null {
  const { data, isPlaceholderData } = useWork('solve', question ? { request: question.request } : null);
  // While this bread is worked on, the last one's answer is not its own.
  if (!question || !data || isPlaceholderData) return null;
  const { solved } = data;
  return {
    ranges: solved.keepsSplit ? rangesOf(solved) : [],
    words: say(ownSecondsWords(solved, question.griddle?.name ?? '10 mm of steel')),
  };
}
