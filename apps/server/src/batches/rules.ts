import type { BatchStart } from '@kettle-scale/core/batch';
import { sourceUsable } from '@kettle-scale/core/device';
import { lotToday } from '@kettle-scale/core/flourLot';
import { InputError } from '@kettle-scale/core/message';
import { type Plan, keepablePlan, planBatch, planHash } from '@kettle-scale/core/plan';
import { lotWithSwitch } from '@kettle-scale/core/log';
import { dayOf } from '@kettle-scale/core/quantity';
import type { FlourLotStore } from '../flourLots/store';
import type { FormulaStore } from '../formulas/store';
import { HttpProblem } from '../http/problem';
import type { IngredientStore } from '../ingredients/store';
import type { KitchenStore } from '../kitchen/store';
import type { Around } from '../live/hub';
import type { BatchStore } from './store';

export interface BatchStores {
  batches: BatchStore;
  formulas: FormulaStore;
  ingredients: IngredientStore;
  kitchen: KitchenStore;
  flourLots: FlourLotStore;
}

/** What must hold before an act is stored, and the plan that a start is frozen with. */
export function batchRules(stores: BatchStores, { now, demo }: Pick<Around, 'now' | 'demo'>) {
  /** A record of what was really done holds nothing that a stand-in made up. */
  const checkSource = (body: object, path: string): void => {
    if (!('source' in body) || body.source !== 'simulated' || sourceUsable('simulated', demo)) return;
    throw InputError.at(path, 'This reading is simulated and this kitchen is real: type what you measured.');
  };

  /** The day with what the kitchen itself knows of the lot, whatever the phone last heard. */
  async function conditionsOf({ at, flourLotId, conditions }: BatchStart) {
    const { lessonsOff, timeZone } = await stores.kitchen.get();
    const lot = flourLotId
      ? (await stores.flourLots.states(now().getTime(), timeZone)).find(({ id }) => id === flourLotId)
      : undefined;
    if (flourLotId && !lot) throw InputError.at('flourLotId', 'This flour lot is not in this kitchen.');
    if (!conditions) return {};
    const { lot: _told, ...day } = conditions;
    return {
      conditions: {
        ...day,
        ...(lot ? { lot: lotWithSwitch(lotToday(lot, dayOf(Date.parse(at), timeZone)), lessonsOff) } : {}),
      },
    };
  }

  async function planFor(start: BatchStart): Promise<Plan> {
    const version = await stores.formulas.get(start.formulaId, start.formulaVersion);
    if (!version) throw InputError.at('formulaId', 'This version of the formula is not in this kitchen.');
    const plan = planBatch({
      formula: version.formula,
      need: start.need,
      kitchen: await stores.kitchen.get(),
      ingredients: await stores.ingredients.list(),
      ...(await conditionsOf(start)),
      ...(start.mixer === undefined ? {} : { mixer: start.mixer }),
      ...(start.adjustments ? { adjustments: start.adjustments } : {}),
    });
    return keepablePlan(plan);
  }

  /**
   * The plan that a batch is frozen with: the kitchen's own, or the one that a phone froze when no server answered and that was
   * worked by since.
   */
  async function planOf({ frozenPlan, ...start }: BatchStart): Promise<Plan> {
    if (!frozenPlan) return planFor(start);
    const { id, version } = frozenPlan.formula;
    if (id !== start.formulaId || version !== start.formulaVersion) {
      throw InputError.at('frozenPlan', 'The frozen plan is of another formula or version.');
    }
    if (planHash(frozenPlan) !== start.planHash) {
      throw InputError.at('planHash', 'This is not the hash of the frozen plan.');
    }
    if (!(await stores.formulas.get(id, version))) {
      throw InputError.at('formulaId', 'This version of the formula is not in this kitchen.');
    }
    return keepablePlan(frozenPlan);
  }

  /** What a cook has weighed out by must be what is frozen; a start that is sent again has been looked at before. */
  async function checkSeen({ id, planHash: seen, frozenPlan }: BatchStart, plan: Plan): Promise<void> {
    const own = planHash(plan);
    if (seen === undefined || seen === own || frozenPlan || (await stores.batches.get(id))) return;
    throw new HttpProblem(
      409,
      'The kitchen, the formula or the lot has changed since this plan was made. Nothing was started; look at the new figures.',
      [{ path: 'planHash', message: 'This is not the plan that the kitchen makes now.' }],
      { plan, planHash: own, seen },
    );
  }

  return { checkSource, planOf, checkSeen };
}
