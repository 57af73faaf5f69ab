import type { Kitchen } from '@kettle-scale/core/kitchen';
import {
  type BreadFacts,
  type Choice,
  type DayPicture,
  type ExtraWorth,
  type Proposal,
  type SeenMoment,
  type ServiceDay,
  type Shift,
  type ShiftPlan,
  compileShift,
  dayPicture,
  drawDays,
  planChoices,
  replan,
  shiftOfDay,
  worthOfExtras,
} from '@kettle-scale/core/shift';

/** What can be asked of a shift. */
export interface ShiftWork {
  /** A service as the line of the kitchen makes it. */
  line: {
    asks: { service: ServiceDay; breads: BreadFacts[]; kitchen: Kitchen };
    gives: Shift;
  };
  /** Plans to choose from. */
  choices: { asks: { shift: Shift }; gives: Choice[] };
  /** What one more cook, a second plate or an hour earlier would bring. */
  extras: { asks: { shift: Shift; plan: ShiftPlan }; gives: ExtraWorth[] };
  /** The day as it is planned, or as it goes on from where it stands. */
  picture: { asks: { shift: Shift; plan: ShiftPlan; from: SeenMoment | null }; gives: DayPicture };
  /** A better rest of the day, if there is one. */
  replan: { asks: { shift: Shift; now: SeenMoment }; gives: Proposal };
}

type Steps<T> = Generator<number, T, void>;

const SEED = 1;
const PICTURE_DAYS = 120;
/** A change is improved for so long at most, ms. */
const REPLAN_MS = 400;
const REPLAN_TRIES = 5000;

/** Every task as a generator that yields the share done, so that it can be shown and stopped. */
export const SHIFT_WORK: {
  [N in keyof ShiftWork]: (asks: ShiftWork[N]['asks']) => Steps<ShiftWork[N]['gives']>;
} = {
  *line({ service, breads, kitchen }) {
    yield 0;
    return shiftOfDay(service, breads, kitchen);
  },
  *choices({ shift }) {
    const steps = planChoices(shift, { seed: SEED });
    let step = steps.next();
    for (; !step.done; step = steps.next()) yield step.value.share;
    return step.value;
  },
  *extras({ shift, plan }) {
    return yield* worthOfExtras(shift, plan, { seed: SEED });
  },
  *picture({ shift, plan, from }) {
    yield 0;
    return dayPicture(compileShift(shift), plan, drawDays(shift, SEED, PICTURE_DAYS), from ?? undefined);
  },
  *replan({ shift, now }) {
    const until = performance.now() + REPLAN_MS;
    const steps = replan(compileShift(shift), now, { tries: REPLAN_TRIES });
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      const leftMs = until - performance.now();
      if (leftMs <= 0) return step.value;
      yield 1 - leftMs / REPLAN_MS;
    }
    return step.value;
  },
};
