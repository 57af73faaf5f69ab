import { ownSecondsWords, programWith, rangesOf } from '@kettle-scale/core/bake';
import type { BakeProgram } from '@kettle-scale/core/formula';
import { useWork } from '../workers/useWork';
import { say } from '../reader/say';
import type { BakeTimes } from './useBakeTimes';

/** Seconds as they hold on the plate in use, and what the model says of them. */
export interface OwnSeconds {
  /** The range of each side that they lie in; none where they lie outside. */
  ranges: readonly string[];
  words: string | null;
  /** The formula's program with these seconds. */
  bake: BakeProgram;
}

/** The seconds in use as every screen shows them; null while they are worked out. */
export function useOwnSeconds(times: BakeTimes | null): OwnSeconds | null {
  const { data, isPlaceholderData, isError } = useWork(
    'solve',
    times ? { request: times.question.request } : null,
  );
  // Where nothing can be worked out the seconds hold as they were said.
  if (times && isError) return { ranges: [], words: null, bake: times.question.request.program };
  // While this bread is worked on, the last one's answer is not its own.
  if (!times || !data || isPlaceholderData) return null;
  const { solved } = data;
  const words = ownSecondsWords(solved, plateName(times));
  return {
    ranges: solved.keepsSplit ? rangesOf(solved) : [],
    words: words && say(words),
    bake: programWith(times.question.request.program, solved.seconds.map(Math.round)),
  };
}

/** What the plate in use is called. */
export const plateName = ({ question }: Pick<BakeTimes, 'question'>): string =>
  question.griddle?.name ?? say('10 mm of steel');
