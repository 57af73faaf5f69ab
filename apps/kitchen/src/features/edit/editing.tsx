import {
  type Draft,
  type FoodOf,
  type Formula,
  type FormulaFacts,
  formulaFacts,
  toFormula,
} from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { InputError } from '@kettle-scale/core/message';
import { produce } from 'immer';
import { type ReactNode, createContext, useContext, useMemo } from 'react';
import { type DraftStore, changeDraft } from '../../drafts/drafts';
import { say } from '../../reader/say';

/** A draft with what it comes to now. */
export interface Editing {
  draft: Draft;
  foods: readonly Ingredient[];
  foodOf: FoodOf;
  kitchen: Kitchen;
  /** The formula that the draft is, and its facts; null while something keeps it from being one. */
  formula: Formula | null;
  facts: FormulaFacts | null;
  /** One sentence by field path. */
  problems: ReadonlyMap<string, string>;
  /** Changes the draft in place; changes of one group in a row are one step of undo. */
  edit: (change: (draft: Draft) => void, group?: string) => void;
  /** Exchanges the draft for another. */
  replace: (change: (draft: Draft) => Draft, group?: string) => void;
}

const EditingContext = createContext<Editing | null>(null);

export function useEditing(): Editing {
  const editing = useContext(EditingContext);
  if (!editing) throw new Error('useEditing outside of an EditingScope');
  return editing;
}

/** The formula of a draft, its facts, and what is wrong with it. */
function check(draft: Draft, foodOf: FoodOf, foods: readonly Ingredient[], kitchen: Kitchen) {
  try {
    const formula = toFormula(draft, foodOf);
    return { formula, facts: formulaFacts(formula, foods, kitchen), problems: new Map<string, string>() };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    const problems = new Map(error.problems.map(({ path, message }) => [path, say(message)] as const));
    return { formula: null, facts: null, problems };
  }
}

interface ScopeProps {
  store: DraftStore;
  draft: Draft;
  foods: readonly Ingredient[];
  kitchen: Kitchen;
  children: ReactNode;
}

/** Gives the parts of the editor the draft and the ways to change it. */
export function EditingScope({ store, draft, foods, kitchen, children }: ScopeProps) {
  const foodOf = useMemo(() => {
    const byId = new Map([...foods, ...(draft.ingredients ?? [])].map((food) => [food.id, food]));
    return (id: string) => byId.get(id);
  }, [foods, draft.ingredients]);
  const editing = useMemo(
    (): Editing => ({
      draft,
      foods,
      foodOf,
      kitchen,
      ...check(draft, foodOf, foods, kitchen),
      edit: (change, group) =>
        changeDraft(
          store,
          (now) =>
            produce(now, (draft) => {
              change(draft);
            }),
          group,
        ),
      replace: (change, group) => changeDraft(store, change, group),
    }),
    [store, draft, foods, foodOf, kitchen],
  );
  return <EditingContext.Provider value={editing}>{children}</EditingContext.Provider>;
}
