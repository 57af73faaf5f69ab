import { message } from '../message/message';
import type { BatchFacts } from '../log/factsSchema';
import type { Lesson } from '../log/lessonSchema';
import { feelOfCooks, timesOfCooks } from './cookLessons';
import type { LessonDraft, LessonContext } from './lessonDraft';
import { cost, lossOf, rejects } from './lossLessons';
import { PRIORS } from './priors';
import { type Pace, pacesOf, relaxing, rest } from './restLessons';
import { ballSpread, discSpread } from './spreadLessons';
import { stepTimeLessons } from './timeLessons';
import { waterOfLots, waterOfSeasons } from './waterLessons';

/** Batches that a lesson shows as its evidence, the newest: more are no picture, and a year of them is megabytes. */
const MOST_EVIDENCE = 40;

/** One kind of lesson after the other, with the paces of relaxing that two of them rest on. */
const KINDS: readonly ((over: BatchFacts[], context: LessonContext, paces: Pace[]) => LessonDraft[])[] = [
  waterOfLots,
  waterOfSeasons,
  (over) =>
    lossOf(
      over,
      'bowl-loss',
      (one) => one.bowlLoss,
      PRIORS.bowlLoss,
      (share) => message('{share} of the dough stays in the bowl and on hands.', { share }),
      'Lost in the bowl',
    ),
  (over) =>
    lossOf(
      over,
      'bench-loss',
      (one) => one.benchLoss,
      PRIORS.benchLoss,
      (share) => message('{share} of the dough is lost on the bench.', { share }),
      'Lost on the bench',
    ),
  (_over, _context, paces) => relaxing(paces),
  (_over, _context, paces) => rest(paces),
  ballSpread,
  discSpread,
  cost,
  rejects,
  stepTimeLessons,
  timesOfCooks,
  feelOfCooks,
];

/**
 * What history teaches: every lesson with its 90 % interval and the batches it rests on.
 * @param facts of batches that are over, in whatever order
 * @param context what the kitchen knows that facts do not
 */
export function lessonsFrom(facts: readonly BatchFacts[], context: LessonContext): Lesson[] {
  const over = facts
    .filter(({ status }) => status === 'finished')
    .sort((a, b) => a.startedAt.localeCompare(b.startedAt));
  const paces = pacesOf(over);
  const drafts = KINDS.flatMap((kind) => kind(over, context, paces));
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
