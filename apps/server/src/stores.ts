import { type PhoneStore, openPhoneStore } from './access/phones';
import { type OpinionStore, openOpinionStore } from './bakes/store';
import { type BatchStore, openBatchStore } from './batches/store';
import type { Database } from './db/openDatabase';
import { type FlourLotStore, openFlourLotStore } from './flourLots/store';
import { type FormulaStore, openFormulaStore } from './formulas/store';
import { type IngredientStore, openIngredientStore } from './ingredients/store';
import { type PlanStore, openPlanStore } from './plans/store';
import { type CarriedStore, openCarriedStore } from './log/carried';
import { type ServiceStore, openServiceStore } from './services/store';
import { type KitchenStore, openKitchenStore } from './kitchen/store';

export interface Stores {
  /** Whether the whole kitchen is made up: only then do made-up batches teach it. */
  demo: boolean;
  ingredients: IngredientStore;
  kitchen: KitchenStore;
  flourLots: FlourLotStore;
  formulas: FormulaStore;
  batches: BatchStore;
  plans: PlanStore;
  services: ServiceStore;
  carried: CarriedStore;
  opinions: OpinionStore;
  phones: PhoneStore;
}

/** Opens every store on a database that is up to date. */
export async function openStores(database: Database, demo = false): Promise<Stores> {
  return {
    demo,
    ingredients: await openIngredientStore(database),
    kitchen: await openKitchenStore(database),
    flourLots: openFlourLotStore(database),
    formulas: openFormulaStore(database),
    batches: openBatchStore(database, demo),
    plans: openPlanStore(database),
    services: openServiceStore(database),
    carried: openCarriedStore(database),
    opinions: openOpinionStore(database),
    phones: await openPhoneStore(database),
  };
}
