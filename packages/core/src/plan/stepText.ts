import { type Value, type Words, message } from '../message/message';
import type { Plan, SheetLine, Step } from './planSchema';

/** A pause between two kneadings harms nothing for so many times its length, covered (assumption). */
const PAUSE_STRETCH = 3;

function lineName(plan: Plan, step: Step): Value {
  const name = plan.sheet.find((line) => line.lineId === step.lineId)?.name;
  return name === undefined ? 'the line' : { lower: name };
}

const TITLE: Record<Step['kind'], (plan: Plan, step: Step) => Words> = {
  weigh: (plan, step) => message('Weigh {line}', { line: lineName(plan, step) }),
  mix: () => 'Mix',
  knead: (plan, { round }) =>
    round === undefined
      ? 'Knead'
      : round === 0 && lateLines(plan).length > 0
        ? message('Work in {late}', { late: inOne(lateLines(plan)) })
        : 'Knead again',
  pause: ({ formula }, { round = 0 }) =>
    formula.method.knead.again?.[round]?.restTest ? 'Rest before kneading again' : 'Leave the dough',
  rest: (plan, step) =>
    message('Rest the {of}', { of: plan.formula.method.rests[step.rest ?? 0]?.of ?? 'dough' }),
  divide: () => 'Divide',
  coins: () => 'Press to coins',
  flatten: () => 'Flatten',
  griddle: () => 'Griddle',
  finish: () => 'Finish',
};

/**
 * What is worked in when the dough is kneaded again.
 * @param plan its sheet
 */
export const lateLines = ({ sheet }: Pick<Plan, 'sheet'>): SheetLine[] => sheet.filter(({ late }) => late);

const inOne = (lines: readonly SheetLine[]): Value => ({
  list: lines.map(({ name }) => ({ lower: name })),
  as: 'and',
});

/**
 * What a step is called: "Weigh strong flour", "Rest the balls".
 * @param plan the plan
 * @param step the step
 */
export const stepTitle = (plan: Plan, step: Step): Words => TITLE[step.kind](plan, step);

/**
 * The window of a timed step in seconds, or null for a step without a clock.
 * @param plan the plan
 * @param step the step
 */
export function stepWindow(plan: Plan, step: Step): { earliestS: number; latestS: number } | null {
  const { method } = plan.formula;
  if (step.kind === 'mix') {
    const waitS = (plan.today?.cooling?.waitS ?? 0) + (method.soak?.restS ?? 0);
    return { earliestS: method.mix.minS + waitS, latestS: method.mix.maxS + waitS };
  }
  const round = step.round === undefined ? undefined : method.knead.again?.[step.round];
  if (step.kind === 'pause') {
    return round ? { earliestS: round.pauseS, latestS: PAUSE_STRETCH * round.pauseS } : null;
  }
  if (step.kind === 'knead') {
    const { minS, maxS } = round ?? method.knead;
    return { earliestS: minS, latestS: maxS };
  }
  const rest =
    step.kind === 'rest' ? (plan.today?.rests[step.rest ?? 0] ?? method.rests[step.rest ?? 0]) : undefined;
  return rest ? { earliestS: rest.earliestS, latestS: rest.latestS } : null;
}
