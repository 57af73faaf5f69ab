import type { Book, BookEntry, FormulaVersion, OnTaken } from '@kettle-scale/core/document';
import type { FlourLot } from '@kettle-scale/core/flourLot';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import {
  type Kitchen,
  type KitchenChange,
  type TimesChosen,
  withChange,
  withTimesChosen,
} from '@kettle-scale/core/kitchen';
import type { SavedPlan } from '@kettle-scale/core/plan';
import type { ServiceAct, ServiceDay, ServiceRecord } from '@kettle-scale/core/shift';
import { useMutation } from '@tanstack/react-query';
import { Unreachable, api } from './api';
import { saveOver } from './saveOver';
import { unpacked } from './backupFile';
import { forgetBatches } from './keptBatches';
import { keys, queryClient } from './queries';

/** Everything that was known of the kitchen is asked for anew. */
export const useRestore = () =>
  useMutation({
    mutationFn: async ({ backup, how }: { backup: File; how: readonly string[] }) =>
      api.restore(await unpacked(backup), how),
    onSuccess: () => queryClient.invalidateQueries(),
  });

/** @param before the service that it was changed from; null where the day had none */
export const useSaveService = (before: ServiceDay | null) =>
  useMutation({
    mutationFn: (service: ServiceDay) => saveOver({ before, mine: service, send: api.saveService }),
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

/** @param before the lot that it was changed from; null for one that has just come */
export const useSaveFlourLot = (before: FlourLot | null) =>
  useMutation({
    mutationFn: (lot: FlourLot) => saveOver({ before, mine: lot, send: api.saveFlourLot }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: keys.flourLots }),
  });

/** The kitchen as the server last had it: what is shown may already hold a change that is on its way. */
let confirmed: Kitchen | null = null;
queryClient.getQueryCache().subscribe((change) => {
  if (change.type !== 'updated' || change.action.type !== 'success' || change.action.manual) return;
  if (change.query.queryKey[0] === keys.kitchen[0]) confirmed = change.query.state.data as Kitchen;
});

/** What is said of the kitchen after a change met another one: the same settings, as they are to be now. */
const saidAgain = (said: KitchenChange, kitchen: Kitchen): KitchenChange =>
  Object.fromEntries(
    Object.keys(said).map((key) => [key, kitchen[key as keyof Kitchen] ?? null]),
  ) as KitchenChange;

async function changeKitchen(said: KitchenChange, shown?: Kitchen, begun?: Kitchen): Promise<Kitchen> {
  const before = begun ?? confirmed ?? shown ?? (await api.kitchen());
  const saved = await saveOver({
    before,
    mine: withChange(before, said),
    send: (kitchen, ifMatch) => api.changeKitchen(saidAgain(said, kitchen), ifMatch),
  });
  confirmed = saved;
  return saved;
}

/**
 * Changes some of the kitchen's settings; the others stay as they are, whoever changed them meanwhile.
 * @param shown the kitchen as it is shown
 * @param begun the kitchen that a form was filled from; without it the change is to what is there now
 */
export const useChangeKitchen = (shown?: Kitchen, begun?: Kitchen) =>
  useMutation({
    mutationKey: keys.kitchen,
    mutationFn: (change: KitchenChange) => changeKitchen(change, shown, begun),
    // One after the other: the last that was said is the one that stays.
    scope: { id: 'kitchen' },
    // It stands at once, so that the next change of the same list starts from it.
    onMutate: async (change) => {
      await queryClient.cancelQueries({ queryKey: keys.kitchen });
      const before = queryClient.getQueryData<Kitchen>(keys.kitchen);
      queryClient.setQueryData<Kitchen>(keys.kitchen, before && withChange(before, change));
      return { before };
    },
    onSuccess: (kitchen) => {
      // What the server says is older than a change that is still on its way.
      if (queryClient.isMutating({ mutationKey: keys.kitchen }) === 1)
        queryClient.setQueryData(keys.kitchen, kitchen);
      void queryClient.invalidateQueries({ queryKey: keys.lessons });
    },
    onError: (_why, _change, context) => {
      queryClient.setQueryData<Kitchen>(keys.kitchen, context?.before);
      return queryClient.invalidateQueries({ queryKey: keys.kitchen });
    },
  });

/** Says whose seconds hold for a formula on a plate; it holds here at once, and stays for this page where no server answers. */
export const useChooseTimes = () =>
  useMutation({
    // What is changed next is changed from what the server has now.
    mutationFn: async (chosen: TimesChosen) => (confirmed = await api.chooseTimes(chosen)),
    scope: { id: 'kitchen' },
    onMutate: (chosen) =>
      queryClient.setQueryData<Kitchen>(
        keys.kitchen,
        (kitchen) => kitchen && withTimesChosen(kitchen, chosen),
      ),
    onSuccess: (kitchen) => queryClient.setQueryData(keys.kitchen, kitchen),
    onError: (why) =>
      why instanceof Unreachable ? undefined : queryClient.invalidateQueries({ queryKey: keys.kitchen }),
  });

/** Takes a cook's name out of all records, for good; what this phone keeps of batches is fetched anew. */
export const useMakeNameless = () =>
  useMutation({
    mutationFn: (cook: string) => api.makeNameless(cook),
    onSuccess: async (kitchen) => {
      queryClient.setQueryData(keys.kitchen, kitchen);
      await forgetBatches();
      await queryClient.invalidateQueries();
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

const foodNow = (id: string): Ingredient | null =>
  queryClient.getQueryData<Ingredient[]>(keys.ingredients)?.find((food) => food.id === id) ?? null;

/** @param before the ingredient that a form was filled from, null for a new one; without it, as it is known here now */
export const useSaveIngredient = (before?: Ingredient | null) =>
  useMutation({
    mutationFn: (food: Ingredient) =>
      saveOver({
        before: before === undefined ? foodNow(food.id) : before,
        mine: food,
        send: api.saveIngredient,
      }),
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
