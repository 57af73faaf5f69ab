import {
  type Choice,
  type DayPicture,
  type ExtraWorth,
  type LineFacts,
  type Proposal,
  type SeenMoment,
  type ServiceDay,
  type Shift,
  type ShiftPlan,
  compileShift,
  dayPicture,
  judgeChange,
  planChoices,
  replan,
  shiftOfDay,
  worthOfExtras,
} from '@kettle-scale/core/shift';

/** What can be asked of a shift. */
export interface ShiftWork {
  /** A service as the line of the kitchen makes it. */
  line: {
    asks: { service: Omit<ServiceDay, 'plan'>; facts: LineFacts };
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
  *line({ service, facts }) {
    yield 0;
    return shiftOfDay(service, facts);
  },
  *choices({ shift }) {
    return yield* planChoices(shift, { seed: SEED });
  },
  *extras({ shift, plan }) {
    return yield* worthOfExtras(shift, plan, { seed: SEED });
  },
  *picture({ shift, plan, from }) {
    yield 0;
    return dayPicture(compileShift(shift), plan, { seed: SEED, count: PICTURE_DAYS }, from);
  },
  *replan({ shift, now }) {
    const until = performance.now() + REPLAN_MS;
    const line = compileShift(shift);
    const steps = replan(line, now, { tries: REPLAN_TRIES });
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      const leftMs = until - performance.now();
      if (leftMs <= 0) break;
      yield 1 - leftMs / REPLAN_MS;
    }
    return judgeChange(line, now, step.value);
  },
};
