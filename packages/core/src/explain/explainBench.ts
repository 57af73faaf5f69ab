import { discDiameterMm } from '../portion/disc';
import { type UnitSystem, formatLength, formatMass, formatPercent } from '../quantity/formatQuantity';
import { explainLine } from './explain';
import { type Explanation } from '../message/explanation';
import type { BatchState } from '../batch/batchState';
import type { Plan, Step } from '../plan/planSchema';

/**
 * Why a bowl asks for this much of a line now: the planned mass, and the over-pour the batch follows, if any.
 * @param plan the plan
 * @param state its folded state
 * @param step the step that is weighed
 * @param system measures of the reader
 */
export function explainTarget(
  plan: Plan,
  state: BatchState,
  step: Step,
  system: UnitSystem = 'metric',
): Explanation {
  const planned = explainLine(plan, step.lineId ?? '', system);
  const bowl = state.bowls[(step.bowl ?? 1) - 1];
  const line = bowl?.lines.find(({ lineId }) => lineId === step.lineId);
  const sheet = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  if (!bowl || !line || !sheet || bowl.factor === 1) return planned;
  return {
    ...planned,
    value: formatMass(line.targetG, sheet.stepG, system),
    equation: `${planned.equation}, times the factor of the over-pour that the batch follows`,
    inputs: [
      ...planned.inputs,
      { label: 'On the sheet', value: formatMass(sheet.massG, sheet.stepG, system) },
      { label: 'The batch follows', value: `× ${bowl.factor.toFixed(3)}` },
      ...(line.weighedG === null
        ? []
        : [{ label: 'In the bowl already', value: formatMass(line.weighedG, sheet.stepG, system) }]),
    ],
  };
}

/**
 * Why each ball weighs this much when a real dough is divided.
 * @param plan the plan
 * @param doughG real dough, g
 * @param pieces pieces
 * @param system measures of the reader
 */
export function explainDivision(
  plan: Plan,
  doughG: number,
  pieces: number,
  system: UnitSystem = 'metric',
): Explanation {
  const keptG = doughG * (1 - plan.kitchen.benchLoss);
  return {
    title: 'Each ball',
    value: formatMass(keptG / pieces, 0.1, system),
    equation: 'The dough as it is, less what the bench keeps, shared out over the pieces',
    inputs: [
      { label: 'Dough', value: formatMass(doughG, plan.kitchen.benchStepG, system) },
      { label: 'Lost on the bench', value: formatPercent(plan.kitchen.benchLoss, 1) },
      { label: 'Left for balls', value: formatMass(keptG, 1, system) },
      { label: 'Pieces', value: `${pieces}` },
      { label: 'Planned ball', value: formatMass(plan.ballG, 0.1, system) },
    ],
    changes: ['One piece more makes each ball lighter; keep the ball weight and the count follows.'],
  };
}

/**
 * Why the disc is rolled this wide: the ball as it was cut, the thickness, and what springs back.
 * @param plan the plan
 * @param ballG ball as it was cut, g
 * @param system measures of the reader
 */
export function explainRolling(plan: Plan, ballG: number, system: UnitSystem = 'metric'): Explanation {
  const { thicknessMm } = plan.rolled;
  return {
    title: 'Rolled diameter',
    value: formatLength(discDiameterMm(ballG, thicknessMm, plan.doughDensityGMl), system),
    equation: 'Ball weight = dough density × area × thickness, solved for the diameter as rolled',
    inputs: [
      { label: 'Ball', value: formatMass(ballG, 0.1, system) },
      { label: 'Rolled thickness', value: formatLength(thicknessMm, system) },
      { label: 'Dough density, from its composition', value: `${plan.doughDensityGMl.toFixed(3)} g/ml` },
      { label: 'Springs back by', value: formatPercent(plan.formula.product.springBack, 1) },
    ],
    changes: ['If it springs back more than this, rest longer; rolling harder only makes it uneven.'],
  };
}

/** A loss within this many times the usual is not worth a word. */
const MUCH = 2;

/**
 * Where the dough went between the bowl and the scale, in one sentence.
 * @param plan the plan
 * @param mixedG g
 * @param realG g
 * @param system measures of the reader
 */
export function explainLoss(
  plan: Plan,
  mixedG: number,
  realG: number,
  system: UnitSystem = 'metric',
): { loss: number; unusual: boolean; words: string } {
  const loss = 1 - realG / mixedG;
  const usual = plan.kitchen.bowlLoss;
  const stepG = plan.kitchen.benchStepG;
  const off = formatMass(Math.abs(mixedG - realG), stepG, system);
  const usually = formatPercent(usual, 1);
  if (loss < 0) {
    return {
      loss,
      unusual: -loss > usual,
      words: `${off} more than went in: bench flour, or a line that was weighed wrong.`,
    };
  }
  const share = formatPercent(loss, 1);
  if (loss > MUCH * usual && mixedG - realG > stepG) {
    return {
      loss,
      unusual: true,
      words: `${off} (${share}) stayed behind, ${usually} is usual: scrape the bowl and the hook, or weigh again.`,
    };
  }
  return {
    loss,
    unusual: false,
    words: `${off} (${share}) stayed in the bowl and on hands; ${usually} is usual.`,
  };
}
