import { finish, opinionsOn, opinionsWords, questionOfFormula, unsteadyWords } from '@kettle-scale/core/bake';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { type Plan, type PlanRequest, planBatch } from '@kettle-scale/core/plan';

/** The plan, and among its warnings what the model would do other than the formula on the kitchen's plate. */
export function planWithOpinions(request: PlanRequest): Plan {
  const plan = planBatch(request);
  const { kitchen, ingredients = CATALOGUE } = request;
  const { request: bread, spreads, griddle } = questionOfFormula(plan.formula, ingredients, kitchen);
  const opinions = finish(opinionsOn(bread, spreads));
  const said = [opinionsWords(opinions, griddle?.name ?? '10 mm of steel'), unsteadyWords(opinions)];
  return {
    ...plan,
    warnings: [
      ...plan.warnings,
      ...said.flatMap((message) => (message ? [{ path: 'formula.bake.sides', message }] : [])),
    ],
  };
}
