import type { Plan, Step } from './planSchema';

const lineName = (plan: Plan, step: Step): string =>
  plan.sheet.find((line) => line.lineId === step.lineId)?.name.toLowerCase() ?? 'the line';

const TITLE: Record<Step['kind'], (plan: Plan, step: Step) => string> = {
  weigh: (plan, step) => `Weigh ${lineName(plan, step)}`,
  mix: () => 'Mix',
  knead: () => 'Knead',
  rest: (plan, step) => `Rest the ${plan.formula.method.rests[step.rest ?? 0]?.of ?? 'dough'}`,
  divide: () => 'Divide',
  flatten: () => 'Flatten',
  griddle: () => 'Griddle',
  finish: () => 'Finish',
};

/** What a step is called: "Weigh strong flour", "Rest the balls". */
export const stepTitle = (plan: Plan, step: Step): string => TITLE[step.kind](plan, step);

/** The window of a timed step in seconds, or null for a step without a clock. */
export function stepWindow(plan: Plan, step: Step): { earliestS: number; latestS: number } | null {
  const { method } = plan.formula;
  if (step.kind === 'mix') {
    const waitS = plan.today?.cooling?.waitS ?? 0;
    return { earliestS: method.mix.minS + waitS, latestS: method.mix.maxS + waitS };
  }
  if (step.kind === 'knead') return { earliestS: method.knead.minS, latestS: method.knead.maxS };
  const rest =
    step.kind === 'rest' ? (plan.today?.rests[step.rest ?? 0] ?? method.rests[step.rest ?? 0]) : undefined;
  return rest ? { earliestS: rest.earliestS, latestS: rest.latestS } : null;
}
