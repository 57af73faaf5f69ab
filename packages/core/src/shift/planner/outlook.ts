import { type Line, compileShift } from '../line/compile';
import type { Shift, ShiftPlan } from '../shiftSchema';
import { mend } from './firstPlan';
import { drawDays, quickPlan } from './planShift';
import { whyNotPlanned } from './rules';
import { type Estimate, type PlanWorth, pairedDifference, planOnDays, worthOf } from './score';
import { searchPlan } from './search';

/** What a plan is chosen for. */
export const AIMS = ['balanced', 'safest', 'least waste', 'one cook'] as const;
export type Aim = (typeof AIMS)[number];

/** A plan that is safest, or wastes least, counts that side so many times. */
const EMPHASIS = 4;

/**
 * The shift as a plan with an aim sees it; null where the aim cannot be.
 * @param shift the shift
 * @param aim what the plan is for
 */
function shiftFor(shift: Shift, aim: Aim): Shift | null {
  const weighed = (change: (bread: Shift['breads'][number]) => Partial<Shift['breads'][number]>): Shift => ({
    ...shift,
    breads: shift.breads.map((bread) => ({ ...bread, ...change(bread) })),
  });
  if (aim === 'safest') return weighed(({ cu }) => ({ cu: cu * EMPHASIS }));
  if (aim === 'least waste') return weighed(({ co }) => ({ co: co * EMPHASIS }));
  if (aim === 'balanced') return shift;
  if (shift.people.length < 2) return null;
  const alone = shift.people.find(
    (person) => whyNotPlanned(compileShift({ ...shift, people: [person] })) === null,
  );
  return alone ? { ...shift, people: [alone] } : null;
}

/** A plan to choose, judged on the kitchen's own costs and the same days as the others. */
export interface Choice {
  aim: Aim;
  plan: ShiftPlan;
  worth: PlanWorth;
}

const CHOICE_TRIES = 900;
const CHOICE_DAYS = 120;

export interface ChoiceOptions {
  seed?: number;
  tries?: number;
  days?: number;
}

/**
 * Plans to choose from. Yields the share of the work done.
 * @param shift the shift
 * @param options seed, tries of each and days
 */
export function* planChoices(
  shift: Shift,
  { seed = 1, tries = CHOICE_TRIES, days: count = CHOICE_DAYS }: ChoiceOptions = {},
): Generator<number, Choice[], void> {
  const line = compileShift(shift);
  const days = drawDays(shift, seed, count);
  const choices: Choice[] = [];
  for (const [index, aim] of AIMS.entries()) {
    const aimed = shiftFor(shift, aim);
    if (!aimed) continue;
    const own = compileShift(aimed);
    const search = searchPlan(own, quickPlan(own, days), days, { seed, tries });
    let step = search.next();
    for (; !step.done; step = search.next()) yield (index + step.value.tries / tries) / AIMS.length;
    const { plan } = step.value;
    // One cook alone is judged alone; all others by the kitchen's own costs.
    const judge = aim === 'one cook' ? own : line;
    choices.push({ aim, plan, worth: worthOf(planOnDays(judge, plan, days)) });
  }
  return choices;
}

/** What could be had beside what there is. */
export const EXTRAS = ['one more cook', 'a second plate', 'an hour earlier'] as const;
export type Extra = (typeof EXTRAS)[number];

const EARLIER_S = 3600;
const EXTRA_TRIES = 400;

function withExtra(shift: Shift, extra: Extra): Shift {
  const [plate] = shift.plates;
  switch (extra) {
    case 'one more cook': {
      const able = shift.people.reduce((best, one) => (one.can.length > best.can.length ? one : best));
      return { ...shift, people: [...shift.people, { id: 'one-more', can: able.can }] };
    }
    case 'a second plate':
      return {
        ...shift,
        plates: [...shift.plates, { ...plate!, id: 'second-plate' }],
        breads: shift.breads.map(({ plate: only, ...bread }) =>
          only === undefined || only === plate!.id ? bread : { ...bread, plate: only },
        ),
      };
    case 'an hour earlier':
      return { ...shift, opens: Math.max(0, shift.opens - EARLIER_S) };
  }
}

/** What an extra would bring on the same days; never worse, because it may be left idle. */
export interface ExtraWorth {
  extra: Extra;
  /** Change of the score, of lost and of wasted pieces a day. */
  score: Estimate;
  lost: number;
  wasted: number;
}

/**
 * What one more cook, a second plate or an hour earlier would bring to a plan.
 * @param shift the shift
 * @param plan the plan that it is held against
 * @param options seed, tries of each and days
 */
export function* worthOfExtras(
  shift: Shift,
  plan: ShiftPlan,
  { seed = 1, tries = EXTRA_TRIES, days: count = CHOICE_DAYS }: ChoiceOptions = {},
): Generator<number, ExtraWorth[], void> {
  const line: Line = compileShift(shift);
  const days = drawDays(shift, seed, count);
  const before = planOnDays(line, plan, days);
  const out: ExtraWorth[] = [];
  for (const [index, extra] of EXTRAS.entries()) {
    const other = compileShift(withExtra(shift, extra));
    const search = searchPlan(other, mend(other, plan), days, { seed, tries });
    let step = search.next();
    for (; !step.done; step = search.next()) yield (index + step.value.tries / tries) / EXTRAS.length;
    const after = planOnDays(other, step.value.plan, days);
    const score = pairedDifference(after, before);
    if (score.mean >= 0) out.push({ extra, score: { mean: 0, standardError: 0 }, lost: 0, wasted: 0 });
    else {
      const [had, has] = [worthOf(before), worthOf(after)];
      out.push({
        ...{ extra, score },
        lost: has.lost.mean - had.lost.mean,
        wasted: has.wasted.mean - had.wasted.mean,
      });
    }
  }
  return out;
}
