import type { Batch } from '../batch/batchSchema';
import { type Words, message } from '../message/message';
import type { Adjustment } from '../plan/adjustmentSchema';
import { planKind } from '../plan/planKind';
import type { Plan } from '../plan/planSchema';
import { type Change, CHANGES } from './changes';
import { EVIDENCE, type CaseFile, caseFile } from './evidence';
import type { Evidence } from './found';
import {
  CAUSES,
  CAUSE_IDS,
  COMMON,
  type Cause,
  LIKELIHOOD,
  NOT_OF_KIND,
  OFTEN,
  SYMPTOMS,
  SYMPTOM_IDS,
  type Symptom,
} from './table';
import { TESTS, YES_CLEARS } from './tests';

/** A possible cause with what speaks for it. */
export interface Suspect {
  cause: Cause;
  name: string;
  /** Among all causes, by table and evidence. */
  probability: number;
  evidence: Evidence;
  change: Change;
  /** The change as the next plan takes it. */
  adjustment: Adjustment | null;
}

/** A test that would tell most for its minutes. */
export interface Ask {
  cause: Cause;
  question: Words;
  minutes: number;
}

export interface Diagnosis {
  /** The likeliest first. */
  suspects: Suspect[];
  /** The cheapest telling test first; empty when nothing is left to ask. */
  ask: Ask[];
}

/**
 * What may be wrong with a piece of a plan: a dough without gluten does not spring back.
 * @param plan its kind of bread
 */
export function symptomsOf(plan: Plan): Symptom[] {
  const not = NOT_OF_KIND[planKind(plan)]?.symptoms ?? [];
  return SYMPTOM_IDS.filter((id) => !not.includes(id));
}

/** How much likelier a cause is when the record, or a cook's test, says that it was there (assumptions). */
const WEIGHT = {
  record: { yes: 8, no: 0.25, unknown: 1 },
  answer: { yes: 6, no: 0.15 },
} as const;
/** What is not at least this likely is not worth a test. */
const LEAST_WORTH = 0.03;

function weightOf(cause: Cause, { says }: Evidence, { answers }: CaseFile): number {
  const answer = answers[cause];
  if (answer === undefined) return WEIGHT.record[says];
  const there = YES_CLEARS.has(cause) ? !answer : answer;
  return WEIGHT.record[says] * (there ? WEIGHT.answer.yes : WEIGHT.answer.no);
}

/**
 * Ranks what may be behind the symptoms: commonness × Π P(symptom | cause) × evidence of this batch, over all causes.
 * @param symptoms what was seen, at least one
 * @param answers what the cook found when asked, by cause
 */
export function diagnose(
  batch: Batch,
  symptoms: readonly Symptom[],
  answers: CaseFile['answers'] = {},
): Diagnosis {
  const file = caseFile(batch, answers);
  const not = NOT_OF_KIND[planKind(batch.plan)]?.causes ?? [];
  const weighed = CAUSE_IDS.filter((cause) => !not.includes(cause)).map((cause) => {
    const evidence = EVIDENCE[cause](file);
    const table = symptoms.reduce(
      (product, symptom) => product * OFTEN[LIKELIHOOD[symptom][cause] ?? 'rarely'],
      COMMON[cause],
    );
    // What shows in none of the symptoms is not made likely by being there.
    const shows = symptoms.some((symptom) => LIKELIHOOD[symptom][cause] !== undefined);
    const weight = weightOf(cause, evidence, file);
    return { cause, evidence, weight: table * (shows ? weight : Math.min(1, weight)) };
  });
  const all = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const seen = { list: symptoms.map((symptom) => ({ lower: SYMPTOMS[symptom] })) };
  const suspects = weighed
    .map(({ cause, evidence, weight }): Suspect => {
      const change = CHANGES[cause](evidence.off, file);
      const name = CAUSES[cause];
      return {
        ...{ cause, name, evidence, change, probability: weight / all },
        adjustment: change.adjust
          ? {
              id: `diagnosis/${batch.id}/${cause}`,
              from: 'diagnosis',
              ...change.adjust,
              words: message('{cause}: {seen}', { cause: name, seen }),
            }
          : null,
      };
    })
    .sort((a, b) => b.probability - a.probability);
  const ask = suspects
    .filter(
      ({ cause, evidence, probability }) =>
        answers[cause] === undefined && evidence.says === 'unknown' && probability >= LEAST_WORTH,
    )
    .map(({ cause, probability }) => ({
      cause,
      question: TESTS[cause].question(),
      minutes: TESTS[cause].minutes,
      // A test tells most where a cause is as likely as not.
      worth: (probability * (1 - probability)) / TESTS[cause].minutes,
    }))
    .sort((a, b) => b.worth - a.worth)
    .map(({ cause, question, minutes }) => ({ cause, question, minutes }));
  return { suspects, ask };
}
