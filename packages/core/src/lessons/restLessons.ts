import { message } from '../message/message';
import { relaxedBy } from '../dough/springBack';
import type { BatchFacts } from '../log/factsSchema';
import type { Learned } from '../quality/learn';
import { type LessonDraft, adjust, byFormula, nameOf, seenOf, batchesOf } from './lessonDraft';
import { learnRelaxing } from './learnRelaxing';

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** The pace of relaxing of a formula, learned from all its discs. */
export interface Pace {
  formulaId: string;
  of: BatchFacts[];
  found: Learned;
}

export const pacesOf = (facts: readonly BatchFacts[]): Pace[] =>
  byFormula(facts).flatMap(([formulaId, of]) => {
    const found = learnRelaxing(of.flatMap(({ relaxing: discs }) => discs));
    return found ? [{ formulaId, of, found }] : [];
  });

/** What the discs of one batch say by themselves: law's age over the age they show. Fully rested ones are passed over. */
function factorOf({ relaxing: discs }: BatchFacts): number | null {
  const factors = discs.flatMap(({ age, springBack }) => {
    const factor = age / relaxedBy(springBack);
    return factor > 0 && Number.isFinite(factor) ? [factor] : [];
  });
  return factors.length > 0 ? mean(factors) : null;
}

export const relaxing = (paces: readonly Pace[]): LessonDraft[] =>
  paces.map(({ formulaId, of, found }) => {
    const seen = seenOf(of, factorOf);
    const id = `relaxing/${formulaId}`;
    const change = { share: Math.abs(found.value - 1) };
    return {
      ...{
        id,
        kind: 'relaxing',
        title: message('Spring-back of {formula}', { formula: nameOf(of) }),
        unit: 'times',
        before: 1,
        formulaId,
      },
      ...{ value: found.value, low: found.low, high: found.high, seen },
      words: message('Measured discs show that its dough relaxes {value} than the model says.', {
        value:
          found.value >= 1 ? message('{change} slower', { change }) : message('{change} quicker', { change }),
      }),
      adjustment: adjust(
        id,
        'relaxing-time',
        found.value,
        message('discs of {batches}', { batches: batchesOf(seen.length) }),
      ),
    };
  });

/** Minutes that a time constant of the law took in a batch's rests. */
const minutesPerAge = ({ restMin, relaxing: discs }: BatchFacts): number | null => {
  const ages = discs.flatMap(({ age }) => (age > 0 ? [age] : []));
  return restMin === null || ages.length === 0 ? null : restMin / mean(ages);
};

/** The rest in all that brings a dough to the spring-back it wants, at the temperatures its batches had. */
export function rest(learned: readonly Pace[]): LessonDraft[] {
  return learned.flatMap(({ formulaId, of, found }) => {
    const seen = seenOf(of, ({ restMin, relaxing: discs }) => (discs.length > 0 ? restMin : null));
    const paces = seen.flatMap(({ facts: one }) => minutesPerAge(one) ?? []);
    const wanted = seen.at(-1)?.facts.springBack.wanted;
    if (paces.length === 0 || wanted === undefined) return [];
    const minutes = relaxedBy(wanted) * mean(paces);
    const calm = seen.filter(
      ({ facts: { springBack } }) => (springBack.seen ?? 1) <= springBack.wanted,
    ).length;
    const id = `rest/${formulaId}`;
    const value = found.value * minutes;
    return [
      {
        ...{
          id,
          kind: 'rest',
          title: message('Rest of {formula}', { formula: nameOf(of) }),
          unit: 'min',
          before: null,
          formulaId,
          seen,
        },
        ...{ value, low: found.low * minutes, high: found.high * minutes },
        words: message(
          '{value, number} min of rest in all bring it to the spring-back it needs; {calm, number} of {length, number} batches were relaxed enough when they were rolled.',
          { value: Math.round(value), calm, length: seen.length },
        ),
        adjustment: adjust(
          id,
          'least-rest',
          Math.round(value),
          message('discs of {batches}', { batches: batchesOf(seen.length) }),
        ),
      },
    ];
  });
}
