import type { Batch, BatchRecord, BatchSummary } from '@kettle-scale/core/batch';
import type { BookEntry } from '@kettle-scale/core/document';
import type { Formula } from '@kettle-scale/core/formula';
import { QueryClient, useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { type FindWords, NoKey, Refused, Unreachable, api } from './api';
import { BATCH, batchOrKept, keepBatchesOf } from './keptBatches';
import { waitingSummaries } from './waitingActs';

const MINUTE_MS = 60_000;
/** The stream tells of acts at once; this only catches what a broken stream missed. */
const RUNNING_POLL_MS = 15_000;
/** A full disk is told within this. */
const HEALTH_POLL_MS = 30_000;
/** While the server is away it is looked for this often. */
export const AWAY_POLL_MS = 5000;
const RETRIES = 2;

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: MINUTE_MS,
      // Without a network the service worker has what was last known.
      networkMode: 'always',
      retry: (failures, error) => !(error instanceof Refused || error instanceof NoKey) && failures < RETRIES,
    },
    // What cannot be sent says so; it does not wait without a word to happen later.
    mutations: { networkMode: 'always' },
  },
});

keepBatchesOf(queryClient);

export const keys = {
  ingredients: ['ingredients'],
  kitchen: ['kitchen'],
  flourLots: ['flour-lots'],
  savedPlans: ['saved-plans'],
  services: ['services'],
  service: (day: string) => ['services', day],
  health: ['health'],
  access: ['access'],
  phones: ['phones'],
  book: ['book'],
  versions: (id: string) => ['versions', id],
  batches: (status?: BatchRecord['status']) => (status ? ['batches', status] : ['batches']),
  batch: (id: string) => [BATCH, id],
  /** Apart from the lists that every act renews: a long log is fetched again only when a batch comes or ends. */
  log: (find: FindWords) => ['log', find],
  facts: (find: FindWords) => ['facts', find],
  lessons: ['facts', 'lessons'],
  carried: ['carried'],
} as const;

export const useIngredients = () => useQuery({ queryKey: keys.ingredients, queryFn: api.ingredients });
export const useKitchen = () => useQuery({ queryKey: keys.kitchen, queryFn: api.kitchen });
export const useFlourLots = () => useQuery({ queryKey: keys.flourLots, queryFn: api.flourLots });
export const useBook = () => useQuery({ queryKey: keys.book, queryFn: api.book });

const inUse = (entries: BookEntry[]): Formula[] =>
  entries.filter(({ archived }) => !archived).map(({ formula }) => formula);
/** The formulas that are not put away. */
export const useFormulas = () => useQuery({ queryKey: keys.book, queryFn: api.book, select: inUse });

/** What most pages of formulas need, all of it or nothing yet. */
export function useBookAndKitchen() {
  const [book, foods, kitchen] = [useBook(), useIngredients(), useKitchen()];
  // One object for as long as nothing in it changes: much is worked out from it and kept by it.
  const ready = useMemo(
    () =>
      book.data && foods.data && kitchen.data
        ? { entries: book.data, foods: foods.data, kitchen: kitchen.data }
        : null,
    [book.data, foods.data, kitchen.data],
  );
  return {
    ready,
    error: book.error ?? foods.error ?? kitchen.error,
    retry: () => void Promise.all([book.refetch(), foods.refetch(), kitchen.refetch()]),
  };
}

export const useVersions = (id: string) =>
  useQuery({ queryKey: keys.versions(id), queryFn: () => api.versions(id), staleTime: 0 });

/** Batches begun from a day on of which bread is held still. */
export const useHeld = (from: string) => {
  const find = { held: 'yes', from, limit: '200' };
  return useQuery({
    queryKey: [...keys.batches(), 'held', from],
    queryFn: () => api.findBatches(find),
    staleTime: 0,
  });
};

/** Batches that run, those of this phone included that no server knows yet. */
async function runningBatches(): Promise<BatchSummary[]> {
  const waiting = await waitingSummaries();
  try {
    const known = await api.batches('running');
    return [...known, ...waiting.filter(({ id }) => !known.some((one) => one.id === id))];
  } catch (error) {
    if (error instanceof Unreachable && waiting.length > 0) return waiting;
    throw error;
  }
}

/** What is on the go, looked at again now and then even if the stream is quiet. */
export const useRunning = () =>
  useQuery({
    queryKey: keys.batches('running'),
    queryFn: runningBatches,
    staleTime: 0,
    refetchInterval: RUNNING_POLL_MS,
  });

/** Batches that were begun on a day, and those of other days that still run, whole. */
export const useBatchesSince = (from: string): Batch[] => {
  const running = useRunning();
  const list = useQuery({
    queryKey: [...keys.batches(), 'since', from],
    queryFn: () => api.findBatches({ from, limit: '100' }),
    staleTime: 0,
    refetchInterval: RUNNING_POLL_MS,
  });
  const ids = [...(list.data ?? []), ...(running.data ?? [])].map(({ id }) => id);
  return useSomeBatches([...new Set(ids)]);
};

/** Days of service, the newest first. */
export const useServices = () => useQuery({ queryKey: keys.services, queryFn: api.services });

/** The service of a day; null where nobody has said what it is to bring. */
export const useService = (day: string) =>
  useQuery({ queryKey: keys.service(day), queryFn: () => api.service(day) });

export const useSavedPlans = () => useQuery({ queryKey: keys.savedPlans, queryFn: api.savedPlans });

/** How the server is, looked at now and then; more often while something is wrong, so that it is told when that is over. */
export const useHealth = () =>
  useQuery({
    queryKey: keys.health,
    queryFn: api.health,
    staleTime: 0,
    refetchInterval: ({ state }) =>
      state.status === 'error' || state.data?.status === 'trouble' ? AWAY_POLL_MS : HEALTH_POLL_MS,
  });

const batchQuery = (id: string) => ({
  queryKey: keys.batch(id),
  queryFn: () => batchOrKept(id),
  staleTime: 0,
  refetchInterval: RUNNING_POLL_MS,
});

export const useBatchQuery = (id: string) => useQuery(batchQuery(id));

const known = (results: { data: Batch | undefined }[]): Batch[] => results.flatMap(({ data }) => data ?? []);

/** Batches as far as they are known here; they follow the stream as the one that is worked does. */
export const useSomeBatches = (ids: readonly string[]): Batch[] =>
  useQueries({ queries: ids.map(batchQuery), combine: known });

/** Everything that a plan is made from is asked for anew. */
export function renewPlanSources(): void {
  for (const key of [keys.kitchen, keys.ingredients, keys.flourLots, keys.book, keys.lessons, keys.carried]) {
    void queryClient.invalidateQueries({ queryKey: key });
  }
}

/** Asks for what nearly every screen needs before the first screen is drawn. */
export function prefetchBook(): void {
  void queryClient.prefetchQuery({ queryKey: keys.book, queryFn: api.book });
  void queryClient.prefetchQuery({ queryKey: keys.ingredients, queryFn: api.ingredients });
}
