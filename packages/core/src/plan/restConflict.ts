import type { Rest } from '../formula/methodSchema';
import { type Words, message } from '../message/message';
import type { Today } from './planSchema';

/** A rest of the method with the window that the day gives it. */
export type RestOfDay = Pick<Rest, 'of' | 'earliestS' | 'latestS'> & Pick<Today['rests'][number], 'beyond'>;

/**
 * That a dough today needs longer than its formula lets it rest: both are said, and what a cook can choose between.
 * @param rest as it is today
 * @param wanted spring-back that the product asks for, share
 * @returns null where the formula's rest is enough
 */
export function restConflict({ of, latestS, beyond }: RestOfDay, wanted: number): Words | null {
  if (!beyond) return null;
  const { neededS, springBack } = beyond;
  const facts = { of, needed: { s: neededS }, latest: { s: latestS } };
  return springBack === null
    ? message(
        'Rest of the {of}: {needed} today until the centre is warm; the formula says {latest} at most. Cover it and wait, or warm it sooner.',
        facts,
      )
    : message(
        'Rest of the {of}: {needed} today to spring back {wanted}; the formula says {latest} at most. Cover it and wait, or roll at {latest} and get {springBack}.',
        { ...facts, wanted: { share: wanted }, springBack: { share: springBack } },
      );
}
