import type { Batch, BatchRecord, BatchSummary } from '@kettle-scale/core/batch';
import type { Book, BookEntry, FormulaVersion, OnTaken } from '@kettle-scale/core/document';
import type { FlourLot } from '@kettle-scale/core/flourLot';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import type { SavedPlan } from '@kettle-scale/core/plan';
import type { ServiceAct, ServiceDay, ServiceRecord } from '@kettle-scale/core/shift';
import { QueryClient, useMutation, useQueries, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { type FindWords, NoKey, Refused, Unreachable, api } from './api';
import { unpacked } from './backupFile';
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

/** Everything that was known of the kitchen is asked for anew. */
export const useRestore = () =>
  useMutation({
    mutationFn: async ({ backup, replace }: { backup: File; replace: boolean }) =>
      api.restore(await unpacked(backup), replace),
    onSuccess: () => queryClient.invalidateQueries(),
  });

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

export const useSaveService = () =>
  useMutation({
    mutationFn: (service: ServiceDay) => api.saveService(service),
    scope: { id: 'service' },
    onSuccess: (record) => queryClient.setQueryData(keys.service(record.service.day), record),
  });

/** Tells what happened to ready bread; shown at once, taken back when the server refuses it. */
export const useServiceAct = (day: string) =>
  useMutation({
    mutationFn: (act: ServiceAct) => api.serviceAct(day, act),
    scope: { id: 'service-act' },
    onMutate: (act) =>
      queryClient.setQueryData<ServiceRecord | null>(
        keys.service(day),
        (record) => record && { ...record, acts: [...record.acts, act] },
      ),
    onError: () => queryClient.invalidateQueries({ queryKey: keys.service(day) }),
  });

export const useSavedPlans = () => useQuery({ queryKey: keys.savedPlans, queryFn: api.savedPlans });

export const useSavePlan = () =>
  useMutation({
    mutationFn: (plan: SavedPlan) => api.savePlan(plan),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: keys.savedPlans }),
  });

export const useForgetPlan = () =>
  useMutation({
    mutationFn: (id: string) => api.forgetPlan(id),
    onSuccess: (plans) => queryClient.setQueryData(keys.savedPlans, plans),
  });

export const useSaveFlourLot = () =>
  useMutation({
    mutationFn: (lot: FlourLot) => api.saveFlourLot(lot),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: keys.flourLots }),
  });

/** How the server is, looked at now and then. */
export const useHealth = () =>
  useQuery({
    queryKey: keys.health,
    queryFn: api.health,
    staleTime: 0,
    refetchInterval: ({ state }) => (state.status === 'error' ? AWAY_POLL_MS : HEALTH_POLL_MS),
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

export const useSaveKitchen = () =>
  useMutation({
    mutationFn: (kitchen: Kitchen) => api.saveKitchen(kitchen),
    // One after the other: the last that was said is the one that stays.
    scope: { id: 'kitchen' },
    onSuccess: (kitchen) => {
      queryClient.setQueryData(keys.kitchen, kitchen);
      void queryClient.invalidateQueries({ queryKey: keys.lessons });
    },
  });

const bookChanged = () =>
  Promise.all([
    queryClient.invalidateQueries({ queryKey: keys.book }),
    queryClient.invalidateQueries({ queryKey: ['versions'] }),
  ]);

/** Puts a saved version into the book at once, so that its page is there before the book is fetched again. */
function intoBook(saved: FormulaVersion): void {
  queryClient.setQueryData<BookEntry[]>(keys.book, (entries = []) => {
    const here = entries.find(({ formula }) => formula.id === saved.formula.id);
    const entry = { ...saved, archived: here?.archived ?? false };
    return here ? entries.map((other) => (other === here ? entry : other)) : [...entries, entry];
  });
  void bookChanged();
}

interface Save {
  formula: Formula;
  reason: string;
  /** Version that it was made from; 0 for a formula that is not in the book yet. */
  after: number;
}

export const useSaveFormula = () =>
  useMutation({
    mutationFn: ({ formula, reason, after }: Save) =>
      after === 0 ? api.addFormula(formula, reason) : api.saveVersion(formula, reason, after),
    onSuccess: intoBook,
  });

export const useArchive = () =>
  useMutation({
    mutationFn: ({ id, archived }: { id: string; archived: boolean }) => api.archive(id, archived),
    onSuccess: bookChanged,
  });

export const useImportBook = () =>
  useMutation({
    mutationFn: ({ book, onTaken }: { book: Book; onTaken: OnTaken }) => api.importBook(book, onTaken),
    onSuccess: () =>
      Promise.all([bookChanged(), queryClient.invalidateQueries({ queryKey: keys.ingredients })]),
  });

export const useSaveIngredient = () =>
  useMutation({
    mutationFn: (food: Ingredient) => api.saveIngredient(food),
    onSuccess: (saved) => {
      queryClient.setQueryData<Ingredient[]>(keys.ingredients, (foods = []) =>
        foods.some(({ id }) => id === saved.id)
          ? foods.map((food) => (food.id === saved.id ? saved : food))
          : [...foods, saved],
      );
    },
  });

export const useResetIngredient = () =>
  useMutation({
    mutationFn: (id: string) => api.resetIngredient(id),
    onSuccess: (foods) => queryClient.setQueryData(keys.ingredients, foods),
  });

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
