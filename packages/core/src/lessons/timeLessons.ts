import { type Words, message } from '../message/message';
import { type BatchFacts, TIMED_STEPS } from '../log/factsSchema';
import { learnMean } from '../quality/learn';
import { type LessonDraft, seenOf } from './lessonDraft';
import { PRIORS } from './priors';

export const WORK: Record<(typeof TIMED_STEPS)[number], string> = {
  weigh: 'Weighing',
  mix: 'Mixing',
  knead: 'Kneading',
  divide: 'Dividing',
};

/** Work that took more than so many times its plan, or less than that share of it, was interrupted or told afterwards. */
const INTERRUPTED = 3;
/** A difference below this is none that a cook would see. */
const SMALLEST = 0.02;

/** What a batch took for a kind of work, times its plan; null where it does not say, or was interrupted. */
export function timeRatio({ times }: BatchFacts, kind: (typeof TIMED_STEPS)[number]): number | null {
  const time = times?.[kind];
  if (!time || time.plannedS <= 0) return null;
  const ratio = time.tookS / time.plannedS;
  return ratio > INTERRUPTED || ratio < 1 / INTERRUPTED ? null : ratio;
}

function timeWords(work: string, value: number): Words {
  if (Math.abs(value - 1) < SMALLEST) return message('{work} takes as long as planned.', { work });
  return message('{work} takes {share} {longer} than planned.', {
    work,
    share: { share: Math.abs(value - 1) },
    longer: value > 1 ? 'longer' : 'less',
  });
}

/**
 * How long this kitchen takes for its steps against their plans, one pair of hands or one machine each; what the planning of a
 * service counts with.
 * @param facts of batches that are over
 */
export const stepTimeLessons = (facts: readonly BatchFacts[]): LessonDraft[] =>
  TIMED_STEPS.flatMap((kind) => {
    const seen = seenOf(facts, (one) => timeRatio(one, kind));
    if (seen.length === 0) return [];
    const found = learnMean(
      seen.map(({ value }) => value),
      PRIORS.stepTime,
    );
    return [
      {
        ...{
          id: `time/${kind}`,
          kind: 'step-time' as const,
          title: message('Time of {work}', { work: { lower: WORK[kind] } }),
        },
        ...{ unit: 'times', before: PRIORS.stepTime.mean, seen, adjustment: null },
        ...{ value: found.value, low: found.low, high: found.high },
        words: timeWords(WORK[kind], found.value),
      },
    ];
  });
