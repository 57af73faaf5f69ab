import { type Words, message } from '../message/message';
import { discDiameterMm } from '../portion/disc';
import { explainLine } from './explain';
import { type Explanation } from '../message/explanation';
import type { BatchState } from '../batch/batchState';
import type { Plan, Step } from '../plan/planSchema';

/**
 * Why a bowl asks for this much of a line now: the planned mass, and the over-pour the batch follows, if any.
 * @param plan the plan
 * @param state its folded state
 * @param step the step that is weighed
 */
export function explainTarget(plan: Plan, state: BatchState, step: Step): Explanation {
  const planned = explainLine(plan, step.lineId ?? '');
  const bowl = state.bowls[(step.bowl ?? 1) - 1];
  const line = bowl?.lines.find(({ lineId }) => lineId === step.lineId);
  const sheet = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  if (!bowl || !line || !sheet || bowl.factor === 1) return planned;
  return {
    ...planned,
    value: { g: line.targetG, stepG: sheet.stepG },
    equation: message('{equation}, times the factor of the over-pour that the batch follows', {
      equation: planned.equation,
    }),
    inputs: [
      ...planned.inputs,
      { label: 'On the sheet', value: { g: sheet.massG, stepG: sheet.stepG } },
      {
        label: 'The batch is rescaled',
        value: message('× {factor}', { factor: { figure: bowl.factor, decimals: 3 } }),
      },
      ...(line.weighedG === null
        ? []
        : [{ label: 'In the bowl already', value: { g: line.weighedG, stepG: sheet.stepG } }]),
    ],
  };
}

/**
 * Why each ball weighs this much when a real dough is divided.
 * @param plan the plan
 * @param doughG real dough, g
 * @param pieces pieces
 */
export function explainDivision(plan: Plan, doughG: number, pieces: number): Explanation {
  const keptG = doughG * (1 - plan.kitchen.benchLoss);
  return {
    title: 'Each ball',
    value: { g: keptG / pieces, stepG: 0.1 },
    equation: 'The dough as it is, less what the bench keeps, shared out over the pieces',
    inputs: [
      { label: 'Dough', value: { g: doughG, stepG: plan.kitchen.benchStepG } },
      { label: 'Lost on the bench', value: { share: plan.kitchen.benchLoss, decimals: 1 } },
      { label: 'Left for balls', value: { g: keptG } },
      { label: 'Pieces', value: { figure: pieces } },
      { label: 'Planned ball', value: { g: plan.ballG, stepG: 0.1 } },
    ],
    changes: ['One piece more makes each ball lighter; keep the ball weight and the count follows.'],
  };
}

/**
 * Why the disc is rolled this wide: the ball as it was cut, the thickness, and what springs back.
 * @param plan the plan
 * @param ballG ball as it was cut, g
 */
export function explainRolling(plan: Plan, ballG: number): Explanation {
  const { thicknessMm } = plan.rolled;
  return {
    title: 'Rolled diameter',
    value: { mm: discDiameterMm(ballG, thicknessMm, plan.doughDensityGMl) },
    equation: 'Ball weight = dough density × area × thickness, solved for the diameter as rolled',
    inputs: [
      { label: 'Ball', value: { g: ballG, stepG: 0.1 } },
      { label: 'Rolled thickness', value: { mm: thicknessMm } },
      {
        label: 'Dough density, from its composition',
        value: { gPerMl: plan.doughDensityGMl },
      },
      { label: 'Springs back by', value: { share: plan.formula.product.springBack, decimals: 1 } },
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
 */
export function explainLoss(
  plan: Plan,
  mixedG: number,
  realG: number,
): { loss: number; unusual: boolean; words: Words } {
  const loss = 1 - realG / mixedG;
  const usual = plan.kitchen.bowlLoss;
  const stepG = plan.kitchen.benchStepG;
  const off = { g: Math.abs(mixedG - realG), stepG };
  const usually = { share: usual, decimals: 1 };
  if (loss < 0) {
    return {
      loss,
      unusual: -loss > usual,
      words: message('{off} more than went in: bench flour, or a line that was weighed wrong.', { off }),
    };
  }
  const share = { share: loss, decimals: 1 };
  if (loss > MUCH * usual && mixedG - realG > stepG) {
    return {
      loss,
      unusual: true,
      words: message(
        '{off} ({share}) stayed behind, {usually} is usual: scrape the bowl and the hook, or weigh again.',
        { off, share, usually },
      ),
    };
  }
  return {
    loss,
    unusual: false,
    words: message('{off} ({share}) stayed in the bowl and on hands; {usually} is usual.', {
      off,
      share,
      usually,
    }),
  };
}
