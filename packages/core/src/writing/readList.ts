import type { Ingredient } from '../ingredient/ingredientSchema';
import type { Measures } from '../quantity/units';
import { exactly } from '../quantity/interval';
import { type InEnglish, type ListWords, inEnglish } from './inEnglish';
import { askForLiquid } from './liquidByFeel';
import { type LineInput, readLine } from './readLine';
import type { Answers, ReadLine, ReadList, Remark } from './readListTypes';
import { lineStem } from './asking';
import { linesOf, splitEntries, withoutBullet } from './tidyLine';

export interface ReadOptions {
  foods: readonly Ingredient[];
  measures?: Measures;
  answers?: Answers;
  /** Of the language that the list is written in; English needs none. */
  words?: ListWords;
}

/** One entry as it was written, and in English. */
interface Entry extends InEnglish {
  text: string;
}

const asWritten = (text: string): Entry => ({ text, english: text, back: (words) => words });

/** The entries of a list; in another language they are parted where its English is. */
function entriesOf(text: string, words: ListWords | undefined, foods: readonly Ingredient[]): Entry[] {
  if (!words) return splitEntries(text).map((entry) => asWritten(withoutBullet(entry)));
  const read = inEnglish(words, foods);
  return linesOf(text).flatMap((line) => {
    const { english, back } = read(line);
    const parts = splitEntries(english);
    const written = parts.length === 1 ? [line] : splitEntries(line);
    return parts.map((part, index) => ({
      text: withoutBullet((written.length === parts.length ? written[index] : undefined) ?? part),
      english: withoutBullet(part),
      back,
    }));
  });
}

const YIELD =
  /^(?:makes|yields?|serves|for|gives|recipe makes)\s*:?\s*(?:about |approx\.? |around )?(\d{1,4})(?:\s*(?:-|to)\s*\d+)?\b(?!\s*(?:g|kg|ml|l|oz|lb|cups?|tsp|tbsp)\b)|^(\d{1,4})\s+(?:pieces|breads?|balls?|rounds?|wraps?|flatbreads?|tortillas?|rotis?|servings?|portions?)\s*$/i;
const HEADING =
  /:\s*$|^(?:ingredients|method|directions|instructions|steps|preparation|for the [a-z ]+)\s*$/i;
/** Longer than this without an amount is a sentence, not an ingredient. */
const MOST_WORDS_OF_A_NAME = 8;
/** No line that says an ingredient has more letters: it is kept as a note, unread. */
const MOST_LETTERS = 300;
/** A flour written only as a percent stands for this much of it, so that the other figures have a size. */
const DEFAULT_FLOUR_G = 1000;
/** A list longer than this is not one formula. */
const MOST_ENTRIES = 60;

/**
 * Reads a list as people write it: "2 3/4 cups flour, scooped", "½ stick butter", "pinch of salt", "water 60 %".
 * Pure: the same text, kitchen and answers give the same reading. What is ambiguous comes back as questions.
 * @param text one entry a line; commas and semicolons between entries are understood
 */
export function readList(
  text: string,
  { foods, measures = 'us', answers = {}, words }: ReadOptions,
): ReadList {
  const entries = entriesOf(text, words, foods)
    .slice(0, MOST_ENTRIES)
    .filter((entry) => entry.text !== '');
  const list: ReadList = {
    lines: [],
    remarks: [],
    title: null,
    pieces: null,
    unknown: [],
    questions: [],
    flourG: null,
  };
  const seen = new Map<string, number>();
  const inputs = new Map<number, LineInput>();
  const sentences: ReadLine[] = [];
  const remark = (index: number, entry: string, kind: Remark['kind']) =>
    list.remarks.push({ index, text: entry, kind });
  entries.forEach(({ text: entry, english, back }, index) => {
    if (english.length > MOST_LETTERS) {
      remark(index, entry, 'note');
      return;
    }
    const yields = YIELD.exec(english);
    if (yields) {
      list.pieces = Number(yields[1] ?? yields[2]);
      remark(index, entry, 'yield');
      return;
    }
    if (HEADING.test(english)) {
      remark(index, entry, 'heading');
      return;
    }
    const key = lineStem(entry, 0);
    const occurrence = seen.get(key) ?? 0;
    seen.set(key, occurrence + 1);
    const input = { index, text: entry, english, back, occurrence, foods, measures, answers };
    inputs.set(index, input);
    const result = readLine(input);
    const noAmount = result.as === 'line' && result.line.said === null;
    const isTitle =
      index === 0 &&
      entries.length > 1 &&
      (result.as === 'words' || (noAmount && looksLikeName(english, result.line.food)));
    if (isTitle) {
      list.title = entry.slice(0, 60);
      remark(index, entry, 'title');
    } else if (result.as === 'words' || (noAmount && entry.split(/\s+/).length > MOST_WORDS_OF_A_NAME)) {
      remark(index, entry, 'note');
      if (result.as === 'line') sentences.push(result.line);
    } else if (result.as === 'left-out') remark(index, entry, 'left-out');
    else if (result.as === 'unknown')
      list.unknown.push({ index, text: entry, key: result.key, ask: result.ask });
    else list.lines.push(result.line);
  });
  askForLiquid(list, inputs, sentences);
  fillShares(list);
  list.questions = list.lines.flatMap((line) => line.questions);
  return list;
}

/** "Flour rounds of the late shift" is a name; "flour" and "salt to taste" are ingredients. */
function looksLikeName(entry: string, food: Ingredient): boolean {
  const words = entry.toLowerCase().split(/\s+/);
  const own = new Set(
    [food.name, ...(food.aliases ?? [])]
      .join(' ')
      .toLowerCase()
      .split(/[\s,]+/),
  );
  return (
    words.length > 1 &&
    words.length <= MOST_WORDS_OF_A_NAME &&
    !own.has((words.at(-1) ?? '').replace(/s$/, '')) &&
    !/taste|needed|some|little/.test(entry)
  );
}

/** Gives the lines that say a share of flour their mass, once the flour is known. */
function fillShares(list: ReadList): void {
  const flours = list.lines.filter(({ food }) => food.kind === 'flour');
  const weighed = flours.reduce((sum, line) => sum + (line.mass?.typical ?? 0), 0);
  const shared = flours.reduce((sum, line) => sum + (line.mass ? 0 : (line.fraction ?? 0)), 0);
  if (weighed === 0 && shared === 0) return;
  const base = weighed > 0 ? (shared < 1 ? weighed / (1 - shared) : weighed) : DEFAULT_FLOUR_G;
  // Flours given only in percent are brought to the whole: "flour 100 %" or "70 % and 30 %".
  const perShare = weighed > 0 ? base : base / shared;
  for (const line of list.lines) {
    if (line.mass || line.fraction === null) continue;
    line.mass = exactly(line.fraction * (line.food.kind === 'flour' ? perShare : base));
  }
  list.flourG = flours.reduce((sum, line) => sum + (line.mass?.typical ?? 0), 0);
}
