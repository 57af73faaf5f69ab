import { type Draft, type Formula, toDraft } from '@kettle-scale/core/formula';
import { type TemporalState, temporal } from 'zundo';
import { useStore } from 'zustand';
import { type StoreApi, createStore } from 'zustand/vanilla';
import { createJSONStorage, persist } from 'zustand/middleware';

/** A formula being worked on, kept on this device until it is saved: a reload or a lost network takes nothing. */
export interface OpenDraft {
  draft: Draft | null;
  /** Version it was made from; 0 for a formula that is not in the book yet. */
  after: number;
  /** Proposed reason for the next version. */
  reason: string;
  /** The draft as it was begun, to tell work from a look. */
  begun: string;
}

interface Past {
  draft: Draft | null;
}

export type DraftStore = StoreApi<OpenDraft> & { temporal: StoreApi<TemporalState<Past>> };

/** Steps that can be undone. */
const MOST_STEPS = 100;
const NONE: OpenDraft = { draft: null, after: 0, reason: '', begun: '' };
const stores = new Map<string, DraftStore>();
const keyOf = (id: string) => `kettle-scale-draft-${id}`;

/** The draft of one formula, with its undo and redo. */
export function draftStore(id: string): DraftStore {
  const known = stores.get(id);
  if (known) return known;
  const store = createStore<OpenDraft>()(
    temporal(
      persist((): OpenDraft => NONE, {
        name: keyOf(id),
        storage: createJSONStorage(() => localStorage),
      }),
      {
        limit: MOST_STEPS,
        partialize: ({ draft }): Past => ({ draft }),
        equality: (a, b) => a.draft === b.draft,
      },
    ),
  ) as DraftStore;
  stores.set(id, store);
  return store;
}

const isTouched = ({ draft, begun }: OpenDraft): boolean => draft !== null && JSON.stringify(draft) !== begun;

/** Whether work on a formula waits on this device. */
export const hasWork = (id: string): boolean => isTouched(draftStore(id).getState());

/** Opens a formula for work. Work begun earlier on this device goes on; a mere look at it begins anew. */
export function openDraft(formula: Formula, after: number): DraftStore {
  const store = draftStore(formula.id);
  const open = store.getState();
  if (!isTouched(open)) begin(store, toDraft(formula), after, '', true);
  return store;
}

/** Puts a formula on the bench anew, in place of what was there. */
export const replaceDraft = (formula: Formula, after: number, reason: string): void =>
  begin(draftStore(formula.id), toDraft(formula), after, reason);

function begin(store: DraftStore, draft: Draft, after: number, reason: string, asSaved = false): void {
  store.setState({ draft, after, reason, begun: asSaved ? JSON.stringify(draft) : '' });
  store.temporal.getState().clear();
}

/** Forgets a draft: it was saved, or is given up. */
export function dropDraft(id: string): void {
  const store = draftStore(id);
  store.setState(NONE);
  store.temporal.getState().clear();
  localStorage.removeItem(keyOf(id));
}

let lastGroup = '';
/**
 * Changes a draft. Changes of one group in a row are one step of undo, so that typing a figure is taken back whole.
 */
export function changeDraft(store: DraftStore, change: (draft: Draft) => Draft, group = ''): void {
  const { draft } = store.getState();
  if (!draft) return;
  const next = change(draft);
  if (next === draft) return;
  const steps = store.temporal.getState();
  const together = group !== '' && group === lastGroup && steps.pastStates.length > 0;
  if (together) steps.pause();
  store.setState({ draft: next });
  if (together) steps.resume();
  lastGroup = group;
}

/** Ends a group: the next change is a step of its own. */
export const endGroup = (): void => {
  lastGroup = '';
};

export const useDraft = (store: DraftStore): OpenDraft => useStore(store);

export function useUndo(store: DraftStore) {
  const { pastStates, futureStates, undo, redo } = useStore(store.temporal);
  const act = (run: () => void) => () => {
    endGroup();
    run();
  };
  return {
    canUndo: pastStates.length > 0,
    canRedo: futureStates.length > 0,
    undo: act(() => undo()),
    redo: act(() => redo()),
  };
}
