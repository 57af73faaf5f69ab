import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { shiftOfDay } from '@kettle-scale/core/shift';
import { demoFormulas } from './demoFormulas';
import { DEMO_KITCHEN } from './demoKitchen';
import { demoService } from './demoService';

const DAY = '2026-03-04';

/** The demo's lunch as its line makes it; the kitchen opens at `opensS` from midnight. */
export const demoShift = (opensS: number) =>
  shiftOfDay(demoService(DAY, opensS), {
    ...{ formulas: demoFormulas(), foods: CATALOGUE, kitchen: DEMO_KITCHEN },
  });
