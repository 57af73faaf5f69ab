import { type CheckPack, allergensOf, packsToCheck } from '../formula/allergens';
import { resolveOnBread } from '../formula/onBread';
import { CATALOGUE } from '../ingredient/catalogue';
import type { Ingredient } from '../ingredient/ingredientSchema';
import type { Holding } from '../kitchen/holdings';
import type { Plan } from '../plan/planSchema';
import type { HeldBread } from './holding';

/** What a label needs to say. */
export interface BreadLabel {
  product: string;
  pieces: number;
  how: Holding;
  madeMs: number;
  useByMs: number;
  limitH: number;
  limitIsOwn: boolean;
  allergens: string[];
  /** Ingredients whose packs decide about more. */
  checkPacks: CheckPack[];
  /** The last part of its id, to be read aloud. */
  batch: string;
}

const CODE_LENGTH = 6;

/**
 * Everything that a planned bread is made of or gets on top. Plans of older programs do not say what goes on the bread: what
 * their method implies counts.
 */
const foodsOfPlan = ({ ingredients, onBread, formula }: PlanOfLabel): { food: Ingredient }[] => [
  ...ingredients.map((food) => ({ food })),
  ...(onBread ? [] : resolveOnBread({ ...formula, onBread: [] }, [...CATALOGUE, ...ingredients])),
];

type PlanOfLabel = Pick<Plan, 'ingredients' | 'onBread' | 'formula'>;

/** Allergens of everything that was planned in or on. */
export const allergensOfPlan = (plan: PlanOfLabel): string[] => allergensOf(foodsOfPlan(plan));

/**
 * @param batchId id of the batch
 * @param plan the plan
 * @param held what was put away
 * @returns what stands on the label
 */
export const breadLabel = (batchId: string, plan: PlanOfLabel, held: HeldBread): BreadLabel => ({
  product: plan.formula.name,
  pieces: held.pieces,
  how: held.how,
  madeMs: held.madeMs,
  useByMs: held.useByMs,
  limitH: held.limitH,
  limitIsOwn: held.limitIsOwn,
  allergens: allergensOfPlan(plan),
  checkPacks: packsToCheck(foodsOfPlan(plan)),
  batch: batchId.slice(-CODE_LENGTH).toUpperCase(),
});
