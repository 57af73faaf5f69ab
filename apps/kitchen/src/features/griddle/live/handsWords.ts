import { say } from '../../../reader/say';
import type { BatchState } from '@kettle-scale/core/batch';
import {
  type HandsNow,
  type LivePiece,
  type PlateAct,
  cueWords,
  isLongPast,
  seenPieces,
  trimBy,
  trimOf,
} from '@kettle-scale/core/bake';
import type { Words } from '@kettle-scale/core/message';
import { secondsTo } from '../../../ui/useSampled';

const MS_PER_S = 1000;
const ACTS = {
  put: 'Put on {place, number}',
  flip: 'Turn {place, number}',
  fire: 'Flame {place, number}',
  off: 'Take off {place, number}',
} as const;

/** An act of the hands and where: on the button, in the headline, and said aloud. */
export const actWords = (kind: PlateAct['kind'], place: number): string => say(ACTS[kind], { place });

interface Stands {
  first: LivePiece | undefined;
  nextPlace: number | null;
}

/** The act that comes next, as the headline and the one action name it, with when; null while there is none. */
export function nextAct(
  hands: Pick<HandsNow, 'act' | 'due' | 'putNow' | 'nextOnMs'>,
  { first, nextPlace }: Stands,
): { words: string; atMs: number } | null {
  if (hands.act === 'put' && nextPlace !== null)
    return { words: actWords('put', nextPlace), atMs: hands.putNow ? 0 : (hands.nextOnMs ?? 0) };
  if (hands.act === 'forward' && first)
    return { words: actWords(first.next, first.place), atMs: hands.due ? 0 : first.dueMs };
  return null;
}

/** An act with the seconds until it is due. */
export function whenWords({ words, atMs }: { words: string; atMs: number }, nowMs: number): string {
  const inS = secondsTo(atMs, nowMs);
  return inS === 0 ? words : say('{act} in {in, number}\u00a0s', { act: words, in: inS });
}

/** What the cook does next, and in how many seconds. */
export function titleWords(hands: HandsNow, stands: Stands & { waiting: boolean }, nowMs: number): string {
  if (hands.act === 'finish') return 'All off';
  if (stands.waiting && !stands.first) return 'Wait';
  const next = nextAct(hands, stands);
  return next ? whenWords(next, nowMs) : 'Nothing on the plate';
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
