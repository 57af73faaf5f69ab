import { type LineInput, readLine } from './readLine';
import type { ReadLine, ReadList } from './readListTypes';

/** Poured by eye: beside a measured liquid it is what it says, alone it says nothing of how wet a dough is. */
const POURED_BY_EYE = /\b(?:an?\s+)?(?:splash(?:es)?|drizzle|glug|drops?)(?:\s+of)?\b/i;

const isLiquid = ({ food }: ReadLine): boolean => food.kind === 'water' || food.kind === 'dairy';

/**
 * The liquid of a dough with no figure is a line to be judged: neither a splash that would make the whole dough nor a
 * sentence that drops out. Its amount is asked.
 * @param list the lines as they were read; changed in place
 * @param inputs what each line was read from, by its index
 * @param sentences lines that were taken for notes
 */
export function askForLiquid(
  list: ReadList,
  inputs: ReadonlyMap<number, LineInput>,
  sentences: readonly ReadLine[],
): void {
  const liquids = list.lines.filter(isLiquid);
  const byEye = liquids.filter(({ said }) => said && POURED_BY_EYE.test(said.words));
  if (byEye.length < liquids.length) return;
  const [splash] = byEye;
  const input = splash && inputs.get(splash.index);
  if (splash && input) {
    const again = readLine({ ...input, english: input.english.replace(POURED_BY_EYE, ' ').trim() });
    if (again.as === 'line') list.lines[list.lines.indexOf(splash)] = again.line;
    return;
  }
  const sentence = sentences.find(({ food }) => food.kind === 'water');
  if (!sentence) return;
  list.lines.push(sentence);
  list.remarks = list.remarks.filter(({ index }) => index !== sentence.index);
}
