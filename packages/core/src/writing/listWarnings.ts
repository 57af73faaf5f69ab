import { type Words, message } from '../message/message';
import { type FormulaWarning, formulaWarnings } from '../formula/formulaWarnings';
import type { ResolvedLine } from '../formula/formulaSchema';
import type { KindOfBread } from '../formula/kindsOfBread';
import { listKind } from './listKind';
import type { ReadLine, ReadList } from './readListTypes';

/** A cup is a rough measure: of a written list only what is far out is told, so far above the usual water. */
const FAR_ABOVE = 0.1;
const isFarOut = ({ measure, value, low, high }: FormulaWarning): boolean =>
  measure !== 'hydration' ||
  // Without any liquid the list is not at its end.
  (value > 0 && value < low) ||
  value > high + FAR_ABOVE;

const shareOf = (line: ReadLine, flourG: number): ResolvedLine[] =>
  line.mass && line.mass.typical > 0
    ? [
        {
          id: String(line.index),
          ingredient: line.food.id,
          food: line.food,
          fraction: line.mass.typical / flourG,
        },
      ]
    : [];

/**
 * What of a written list lies outside what the trade uses, before it is saved. Where its flour was measured by volume that
 * is the first suspect.
 * @param list the list as it was read
 * @param kind kind of bread, where it was said
 * @returns a sentence each
 */
export function listWarnings(list: ReadList, kind: KindOfBread = listKind(list)): Words[] {
  const { flourG } = list;
  if (!flourG) return [];
  const byVolume = list.lines.find(
    ({ food, fill, said }) => food.kind === 'flour' && (fill || said?.of === 'volume'),
  );
  const suspect: readonly Words[] = byVolume
    ? [
        message('It was measured by volume: look at how the cup of {name} was filled first.', {
          name: { lower: byVolume.food.name },
        }),
      ]
    : [];
  return formulaWarnings(
    list.lines.flatMap((line) => shareOf(line, flourG)),
    kind,
  )
    .filter(isFarOut)
    .map(({ byFlour, message: warning }) =>
      message('{sentences}', {
        sentences: { list: [warning, ...(byFlour ? suspect : [])], glue: ' ' },
      }),
    );
}
