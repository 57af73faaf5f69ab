import type { BatchEvent, Fold } from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import { LRUCache } from 'lru-cache';

/** A batch in hand: its plan and its events up to `lastSeq`. */
export interface LiveBatch {
  plan: Plan;
  events: BatchEvent[];
  /** The same, folded. */
  fold: Fold;
  lastSeq: number;
  /** When the server received what ended it; null while nothing ever did. */
  endHeardMs: number | null;
}

/** Batches that are worked on at once, with room to spare; the rest is read again when an act comes. */
const IN_HAND = 128;

/** Keeps the batches that are being worked on in memory, so that an act need not read the whole batch again. */
export const openLiveBatches = () => new LRUCache<string, LiveBatch>({ max: IN_HAND });
