import type { BatchEvent } from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import { create } from 'zustand';

/** What the last undo took back, in the order in which it was told, until it has been read. */
interface Undone {
  acts: readonly BatchEvent[];
  plan: Plan;
  atMs: number;
}

export const useUndone = create<{ last: Undone | null }>()(() => ({ last: null }));

export const tellUndone = (last: Undone | null): void => useUndone.setState({ last });
