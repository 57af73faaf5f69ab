import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { askWorker } from './background';
import type { Work, WorkName } from './work';

/** A computed answer stays right for its question; it is only forgotten to save memory. */
const KEPT_MS = 30 * 60_000;

/** The share done of each kind of work, apart from its answer: only what shows it is drawn again as it grows. */
export const useShareDone = create<Partial<Record<WorkName, number>>>(() => ({}));

/**
 * An answer of the worker in the background, kept for its question. While a new question is worked on the last answer stays, so a
 * slider can be dragged; a question that is no longer asked is stopped.
 */
export function useWork<N extends WorkName>(name: N, asks: Work[N]['asks'] | null) {
  return useQuery({
    queryKey: ['work', name, asks],
    queryFn: ({ signal }) => {
      if (asks === null) throw new RangeError('nothing was asked');
      const onProgress = (share: number) => useShareDone.setState({ [name]: share });
      onProgress(0);
      return askWorker(name, asks, { signal, onProgress });
    },
    enabled: asks !== null,
    networkMode: 'always',
    staleTime: Infinity,
    gcTime: KEPT_MS,
    retry: false,
    placeholderData: keepPreviousData,
  });
}
