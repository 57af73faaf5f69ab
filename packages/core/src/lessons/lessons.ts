import type { BatchFacts } from '../log/factsSchema';
import type { Lesson } from '../log/lessonSchema';
import type { LessonDraft, LessonContext } from './lessonDraft';
import { cost, lossOf, rejects } from './lossLessons';
import { PRIORS } from './priors';
import { pacesOf, relaxing, rest } from './restLessons';
import { ballSpread, discSpread } from './spreadLessons';
import { stepTimeLessons } from './timeLessons';
import { waterOfLots, waterOfSeasons } from './waterLessons';

/** Batches that a lesson shows as its evidence, the newest: more are no picture, and a year of them is megabytes. */
const MOST_EVIDENCE = 40;

/**
 * What history teaches: every lesson with its 90 % interval and the batches it rests on.
 * @param facts of batches that are over, in any order
 */
export function lessonsFrom(facts: readonly BatchFacts[], context: LessonContext): Lesson[] {
  const over = facts
    .filter(({ status }) => status === 'finished')
    .sort((a, b) => a.startedAt.localeCompare(b.startedAt));
  const paces = pacesOf(over);
  const drafts: LessonDraft[] = [
    ...waterOfLots(over, context),
    ...waterOfSeasons(over, context),
    ...lossOf(
      over,
      'bowl-loss',
      (one) => one.bowlLoss,
      PRIORS.bowlLoss,
      (share) => `${share} of the dough stays in the bowl and on hands.`,
      'Lost in the bowl',
    ),
    ...lossOf(
      over,
      'bench-loss',
      (one) => one.benchLoss,
      PRIORS.benchLoss,
      (share) => `${share} of the dough is lost on the bench.`,
      'Lost on the bench',
    ),
    ...relaxing(paces),
    ...rest(paces),
    ...ballSpread(over),
    ...discSpread(over),
    ...cost(over, context),
    ...rejects(over),
    ...stepTimeLessons(over),
  ];
  const off = new Set(context.off);
  return drafts.map(({ seen, ...lesson }) => ({
    ...lesson,
    batches: seen.length,
    evidence: seen.slice(-MOST_EVIDENCE).map(({ facts: one, value }) => ({
      batchId: one.batchId,
      at: one.startedAt,
      formulaName: one.formulaName,
      value,
    })),
    on: !off.has(lesson.id),
  }));
}
