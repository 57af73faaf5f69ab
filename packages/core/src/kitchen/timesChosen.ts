import type { Kitchen, TimesChosen } from './kitchenSchema';

/** More formulas and plates than a kitchen has. */
export const MOST_TIMES_CHOSEN = 1000;

type About = Pick<TimesChosen, 'formulaId' | 'griddleId'>;
const isAbout = (one: About, other: About): boolean =>
  one.formulaId === other.formulaId && one.griddleId === other.griddleId;

/**
 * Whose seconds somebody chose for a formula on a plate.
 * @returns null where nobody was asked yet
 */
export const chosenFor = (
  { timesChosen = [] }: Pick<Kitchen, 'timesChosen'>,
  about: About,
): TimesChosen['use'] | null => timesChosen.find((one) => isAbout(one, about))?.use ?? null;

/**
 * The kitchen with a choice more, which takes the place of an earlier one; of too many the oldest goes.
 * @param kitchen the kitchen
 * @param chosen formula, plate and whose seconds
 */
export const withTimesChosen = <K extends Pick<Kitchen, 'timesChosen'>>(
  kitchen: K,
  chosen: TimesChosen,
): K => ({
  ...kitchen,
  timesChosen: [...(kitchen.timesChosen ?? []).filter((one) => !isAbout(one, chosen)), chosen].slice(
    -MOST_TIMES_CHOSEN,
  ),
});
