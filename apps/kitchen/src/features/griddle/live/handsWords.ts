import { say } from '../../../reader/say';
import { type HandsNow, type LivePiece, cueWords, isLongPast } from '@kettle-scale/core/bake';

const MS_PER_S = 1000;
const FORWARD = {
  flip: 'Turn place {place, number}',
  fire: 'To the fire: place {place, number}',
  off: 'Take off: place {place, number}',
} as const;

/** The act that takes a piece forward, and where it lies. */
export const forwardWords = ({ next, place }: LivePiece): string => say(FORWARD[next], { place });

interface Stands {
  first: LivePiece | undefined;
  nextPlace: number | null;
  waiting: boolean;
}

/** What the cook does next, and in how many seconds. */
export function titleWords(hands: HandsNow, { first, nextPlace, waiting }: Stands, nowMs: number): string {
  if (hands.act === 'finish') return 'All off';
  if (hands.putNow) return say('Piece on, place {nextPlace}', { nextPlace: nextPlace ?? '' });
  if (first && hands.due) return forwardWords(first);
  if (first) {
    const inS = Math.max(0, Math.ceil((first.dueMs - nowMs) / MS_PER_S));
    return say('{forwardWords} in {in, number}\u00a0s', { forwardWords: forwardWords(first), in: inS });
  }
  return waiting ? 'Wait for the plate' : 'Nothing on the plate';
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
