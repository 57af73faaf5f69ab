import type { BatchEvent } from '@kettle-scale/core/batch';

/** Acts that end a batch. */
export const ENDING: ReadonlySet<BatchEvent['type']> = new Set(['finished', 'abandoned']);
/** Acts after which a batch may be over, or no longer over. */
export const TURNING: ReadonlySet<BatchEvent['type']> = new Set([...ENDING, 'void']);
