import { say } from '../../../reader/say';
import type { BatchState } from '@kettle-scale/core/batch';
import {
  type HandsNow,
  type LivePiece,
  cueWords,
  isLongPast,
  seenPieces,
  trimBy,
  trimOf,
} from '@kettle-scale/core/bake';
import type { Words } from '@kettle-scale/core/message';
import { secondsTo } from '../../../ui/useSampled';

const MS_PER_S = 1000;
const FORWARD = {
  flip: 'Turn #{place, number}',
  fire: 'Flame #{place, number}',
  off: 'Take off #{place, number}',
} as const;

/** The act that takes a piece forward, and where it lies. */
export const forwardWords = ({ next, place }: LivePiece): string => say(FORWARD[next], { place });

/** The act that puts the next piece on a place. */
export const putWords = (place: number): string => say('Piece on #{place, number}', { place });

interface Stands {
  first: LivePiece | undefined;
  nextPlace: number | null;
  waiting: boolean;
}

/** What the cook does next, and in how many seconds. */
export function titleWords(hands: HandsNow, { first, nextPlace, waiting }: Stands, nowMs: number): string {
  if (hands.act === 'finish') return 'All off';
  if (hands.putNow) return putWords(nextPlace ?? 1);
  if (first && hands.due) return forwardWords(first);
  if (first) {
    const inS = secondsTo(first.dueMs, nowMs);
    return say('{forwardWords} in {in, number}\u00a0s', { forwardWords: forwardWords(first), in: inS });
  }
  return waiting ? 'Wait' : 'Nothing on the plate';
}

/** What should be seen on the most urgent piece now. */
export const cueNow = (first: LivePiece | undefined, sides: number, nowMs: number): string =>
  first
    ? cueWords({
        ...{ side: first.side, sides, flame: first.flame, pressed: first.pressed },
        share: (nowMs - first.sinceMs) / MS_PER_S / first.sideS,
        longPast: isLongPast(first, nowMs),
      })
    : '';

/** What the next pieces get by what was said of the last one that came off; nothing where nothing was said of it. */
export function answerWords({ baked, judged }: BatchState): Words[] {
  const last = baked.at(-1);
  if (!last || judged.at(-1)?.piece !== last.piece) return [];
  const seen = seenPieces(judged);
  return trimBy(trimOf(seen.slice(0, -1)), seen.at(-1) ?? {}).words;
}
