import { message } from '../message/message';
import { type BatchFacts, TIMED_STEPS } from '../log/factsSchema';
import { type Learned, learnMean } from '../quality/learn';
import { learnContrasts } from './learnEffects';
import { type LessonContext, type LessonDraft, type Seen, adjust, seenOf } from './lessonDraft';
import { PRIORS } from './priors';
import { WORK, timeRatio } from './timeLessons';
import { groupOf } from './waterLessons';

/** How much cooks are thought to differ in what they call right, points of water (assumption). */
const COOK_SD = 1;
/** Fewer batches of a cook, or of the others, are no ground to tell people apart. */
const ENOUGH = 5;

const reachOf = ({ low, high }: Learned): number => (high - low) / 2;
const countBy = <T>(all: readonly T[], is: (one: T) => boolean): number => all.filter(is).length;

/** Share of doughs that one cook judged, of all and of each lot. */
function ownShare(judged: readonly BatchFacts[], cookId: string) {
  const share = (of: readonly BatchFacts[]) =>
    countBy(of, ({ doneBy }) => doneBy?.feel === cookId) / Math.max(1, of.length);
  const lots = [...new Set(judged.flatMap(({ lotId }) => (lotId === null ? [] : [lotId])))];
  return {
    all: share(judged),
    lots: Object.fromEntries(
      lots.map((lot) => [lot, share(judged.filter(({ lotId }) => lotId === lot))] as const),
    ),
  };
}

/**
 * What a cook calls right against the others, in the same lots: told where it is surely another thing.
 * @param facts of batches that are over
 * @param context cooks to be learned of
 */
export function feelOfCooks(facts: readonly BatchFacts[], { cooks = [] }: LessonContext): LessonDraft[] {
  const judged = facts.filter(({ waterPoints }) => waterPoints !== null);
  const known = judged.flatMap((one) => (one.doneBy?.feel ? [{ one, cook: one.doneBy.feel }] : []));
  const learned = learnContrasts(
    known.map(({ one, cook }) => ({ lot: groupOf(one), effect: cook, points: one.waterPoints ?? 0 })),
    COOK_SD,
  );
  return cooks.flatMap(({ id: cookId, name }): LessonDraft[] => {
    const found = learned.get(cookId);
    if (!found || found.n < ENOUGH || known.length - found.n < ENOUGH) return [];
    const { value, low, high } = found;
    if (Math.abs(value) <= reachOf(found)) return [];
    const id = `feel/${cookId}`;
    const points = { points: Math.abs(value) };
    return [
      {
        ...{ id, kind: 'feel', title: message('Feel of {name}', { name: { name } }), unit: 'points', cookId },
        ...{ value, low, high, before: 0, ownShare: ownShare(judged, cookId) },
        words: message(
          'Dough that {name} judges right has {points} {more} water than the others’ doughs of the same flour. Agree on what right is, or the bread changes with the cook.',
          { name: { name }, points, more: value > 0 ? 'more' : 'less' },
        ),
        seen: seenOf(
          known.flatMap(({ one, cook }) => (cook === cookId ? [one] : [])),
          ({ waterPoints }) => waterPoints,
        ),
        adjustment: adjust(id, 'water', value, message('feel of {name}', { name: { name } })),
      },
    ];
  });
}

/** One cook's time for a kind of work against the others'; nothing where the two may be the same. */
function timeOfCook(own: readonly Seen[], others: readonly Seen[]) {
  if (own.length < ENOUGH || others.length < ENOUGH) return null;
  const values = (seen: readonly Seen[]) => seen.map(({ value }) => value);
  const usual = learnMean(values(others), PRIORS.stepTime);
  const found = learnMean(values(own), { ...PRIORS.stepTime, mean: usual.value });
  const surely = Math.abs(found.value - usual.value) > Math.hypot(reachOf(found), reachOf(usual));
  return surely ? { found, usual: usual.value } : null;
}

/**
 * How long a cook takes for the timed work, where it is surely not what the others take; counts in what this cook plans.
 * @param facts of batches that are over
 * @param context cooks to be learned of
 */
export const timesOfCooks = (facts: readonly BatchFacts[], { cooks = [] }: LessonContext): LessonDraft[] =>
  TIMED_STEPS.flatMap((kind) => {
    const seen = seenOf(
      facts.filter(({ doneBy }) => doneBy?.[kind] !== undefined),
      (one) => timeRatio(one, kind),
    );
    return cooks.flatMap(({ id: cookId, name }): LessonDraft[] => {
      const isOwn = ({ facts: one }: Seen) => one.doneBy?.[kind] === cookId;
      const own = seen.filter(isOwn);
      const told = timeOfCook(
        own,
        seen.filter((one) => !isOwn(one)),
      );
      if (!told) return [];
      const { found, usual } = told;
      const share = found.value / usual - 1;
      return [
        {
          ...{ id: `time/${kind}/${cookId}`, kind: 'step-time', unit: 'times', cookId },
          title: message('Time of {work}, {name}', { work: { lower: WORK[kind] }, name: { name } }),
          ...{ value: found.value, low: found.low, high: found.high, before: usual },
          words: message('{work} takes {name} {share} {longer} the others.', {
            work: WORK[kind],
            name: { name },
            share: { share: Math.abs(share) },
            longer: share > 0 ? 'longer than' : 'less than',
          }),
          ...{ seen: own, adjustment: null },
        },
      ];
    });
  });
