import { NOTHING_PUT_OFF, type PutOff } from '@kettle-scale/core/bake';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** The count that this device keeps: of one batch, since one instant. Another device only shows it. */
interface Counting {
  batchId: string | null;
  /** When it was switched on, as the act in the record says, ms. */
  sinceMs: number;
  /** When the plate was last in somebody's sight, ms. */
  seenMs: number;
  off: PutOff;
}

const NONE: Counting = { batchId: null, sinceMs: 0, seenMs: 0, off: NOTHING_PUT_OFF };

/** Kept on the device: a reload goes on counting, and knows how long nobody looked. */
export const useCounting = create<Counting>()(persist(() => NONE, { name: 'kettle-scale-by-itself' }));

export function beginCounting(batchId: string, sinceMs: number): void {
  useCounting.setState({ ...NONE, batchId, sinceMs, seenMs: sinceMs });
}

export function endCounting(): void {
  useCounting.setState(NONE);
}
