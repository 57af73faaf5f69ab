/** Unicode fractions as people's phones write them. */
const FRACTIONS: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅐': '1/7',
  '⅑': '1/9',
  '⅒': '1/10',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** Number words; "a half" and the like are handled before these. */
const NUMBER_WORDS: Record<string, string> = {
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  eleven: '11',
  twelve: '12',
  thirteen: '13',
  fourteen: '14',
  fifteen: '15',
  sixteen: '16',
  eighteen: '18',
  twenty: '20',
  thirty: '30',
  forty: '40',
  fifty: '50',
  hundred: '100',
};

const PARTS: readonly (readonly [RegExp, string])[] = [
  [/\bthree[ -]quarters?(?: of)?(?: an?)?\b/g, '3/4'],
  [/\btwo[ -]thirds?(?: of)?(?: an?)?\b/g, '2/3'],
  [/\b(?:one |an? )?half(?: of)?(?: an?)?\b(?! and half)/g, '1/2'],
  [
    /\b(?:one |an? )quarter(?: of)?(?: an?)?\b|\bquarter(?: of)? an?\b|\bquarter (?=cup|tea|tsp|pound|lb|pint)/g,
    '1/4',
  ],
  [/\b(?:one |an? )third(?: of)?(?: an?)?\b|\bthird of an?\b/g, '1/3'],
  [/\bor so\b/g, ''],
  [/\ban? dozen\b/g, '12'],
  [/\ban? couple(?: of)?\b/g, '2'],
  [/\b(?:an?|1) hundred(?: and)?\b/g, '100'],
  [/\banother\b(?! ?\d)/g, 'another 1'],
];

const BULLET = /^(?:\d{1,2}[.)](?=\s+\S)|\[[ x]?\]|[^\p{L}\p{N}.,(]+)\s*/u;

/** Takes the list mark from the front of a line; "1. 2 cups flour" loses "1.", "1.5 cups" keeps its number. */
export const withoutBullet = (line: string): string =>
  line.trim().replace(BULLET, '').replace(BULLET, '').trim();

/**
 * Writes a line the one way that the reader understands: plain spaces and hyphens, fractions with a slash,
 * number words as digits. Capitals are kept, because T and t are different spoons.
 */
export function tidyLine(line: string): string {
  let text = line
    .replace(/[\u00a0\u2000-\u200a\u202f\u3000\t]/g, ' ')
    .replace(/[\u200b-\u200f\ufeff]/g, '')
    .replace(/[‐-―−]/g, '-')
    .replace(/[‘’´`]/g, "'")
    .replace(/[⁄∕]/g, '/')
    .replace(/[¼½¾⅐-⅞]/gu, (sign) => ` ${FRACTIONS[sign] ?? sign}`)
    // "1-1/2 cups" is one and a half; "1/2-3/4" stays a range.
    .replace(/(?<![\d/.,])(\d+)-(\d+\/\d+)/g, '$1 $2')
    .replace(/(?<![\d.,])(\d{1,3}) (\d{3})(?=\s*(?:g|gr|grams?|ml)\b)/g, '$1$2');
  text = text.replace(/[A-Za-z]+(?:[ -][A-Za-z]+)*/g, (words) => numberWords(words));
  return text
    .replace(/(\d)\s+and\s+(?:an? )?(?=\d+\/\d)/gi, '$1 ')
    .replace(/(\d)\s*&\s*(?=\d+\/\d)/g, '$1 ')
    .replace(/\s+/g, ' ')
    .trim();
}

/** Leaves words without a number in them exactly as they are. */
function numberWords(words: string): string {
  const small = words.toLowerCase();
  let out = small;
  for (const [pattern, digits] of PARTS) out = out.replace(pattern, digits);
  out = out.replace(/\b[a-z]+\b/g, (word) => NUMBER_WORDS[word] ?? word);
  return out === small ? words : out;
}

const FIGURE = '[\\d¼½¾⅐-⅞]';
/** Words that a number is said in, and what an article makes one of. */
const COUNTED = 'one|two|three|four|five|six|seven|eight|nine|ten|twelve|half';
const ONE_OF =
  'cup|tea|table|pinch|dash|stick|knob|handful|quarter|half|third|pound|kilo|litre|liter|hundred|couple|dozen|good|heaped|scant|level|big';
const SAID_NUMBER = `(?:${FIGURE}|(?:${COUNTED})\\b|an? (?:${ONE_OF}))`;
const UNIT_WORDS =
  'kilos?|litres?|liters?|sticks?|cups?|grams?|grammes?|gr|c|tbsps?|tsps?|tablespoons?|teaspoons?|lbs?|pounds?|oz|ounces?|kg|g|ml|l|pints?|dl|cl';
const AT_COMMA = new RegExp(
  String.raw`,\s+(?:and\s+)?(?=(?:about |approx\.? |at least |maybe )?(?:${SAID_NUMBER}|an? (?:little(?! at a time)|bit)|pinch |some ))`,
  'iu',
);
/**
 * "water and 2 tbsp lard" and "flour plus 300 g water" are two things; "1 cup and 2 tbsp", "between 1 and 2" and "a cup of
 * water plus 2 tbsp" are one.
 */
const AT_AND = new RegExp(
  String.raw`(?<=${SAID_NUMBER}[^,]*[a-z)])(?<!\b(?:${UNIT_WORDS}|one|two|three|four|five|six)\.?)\s+(?:and then|then|and|plus|&|\+)\s+(?=${SAID_NUMBER}[^,]*\s[a-z])(?!${SAID_NUMBER}[^,a-z]*\s*(?:${UNIT_WORDS})\.?(?:$|,))`,
  'iu',
);
/** Said between a measure and the same thing measured again. */
const AGAIN = String.raw`(?:(?:that'?s|that is|which is|so|or|about|approx\.?|around|roughly|i\.?e\.?|=)\s+)*`;
/** Only a figure and a unit, as behind the comma of "flour, 500 g". */
const BARE_AMOUNT = new RegExp(
  String.raw`^${AGAIN}(?:(?:[\d¼½¾⅐-⅞\s.,/-]|\band\b)+|an?\s+)(?:${UNIT_WORDS}|%)\.?(?:\s*,[^\d]*)?$`,
  'iu',
);
/** "Maybe a bit more" belongs to what stands before. */
const SOME_MORE =
  /^(?:maybe |perhaps |or |and )*(?:an? (?:little|bit|touch|splash)|some|a few drops) more\b/iu;
const AGAIN_IN_FRONT = new RegExp(`^${AGAIN}`, 'iu');
/** Only a temperature: it belongs to what stands before. */
const BARE_TEMPERATURE = /^(?:at |about )*\d{2,3}(?:\s*(?:-|to)\s*\d{2,3})?\s*(?:°|º|deg|[CF]\b)/i;
/** The same, behind a comma whose number stands after words of its own. */
const AT_AGAIN = new RegExp(
  String.raw`,\s+(?=(?:that'?s|that is|which is|so|or|i\.?e\.?)\s+(?:about\s+)?[\d¼½¾])`,
  'iu',
);

/** "A tablespoon each of baking powder and salt", "salt and sugar, 1 tsp each": one line for each. */
const EACH_IN_FRONT = /^(.*\S)\s+each(?: of)?:?\s+(?=\S*[a-z])(.+)$/iu;
const EACH_BEHIND = new RegExp(String.raw`^(.+?)[,:]?\s+(${SAID_NUMBER}.*?)\s+(?:of )?each$`, 'iu');

/** Behind names alone: "salt and sugar, 1 tsp each". */
const EACH_AT_END = new RegExp(String.raw`^[^\d¼½¾]+,\s*${SAID_NUMBER}[^,]*\seach$`, 'iu');

function ofEach(line: string): string[] {
  const front = EACH_IN_FRONT.exec(line);
  const behind = front ? null : EACH_BEHIND.exec(line);
  const [amount, names] = front ? [front[1], front[2]] : behind ? [behind[2], behind[1]] : [];
  if (!amount || !names) return [line];
  const parts = names.split(/,\s*(?:and\s+)?|\s+(?:and|&|\+)\s+/iu).filter(Boolean);
  return parts.length < 2 ? [line] : parts.map((name) => `${amount} ${name}`);
}

const hasFigure = (part: string): boolean => /[\d¼½¾⅐-⅞]/u.test(numberWords(part));
const isBareAmount = (part: string): boolean => BARE_AMOUNT.test(numberWords(part));
const AMOUNT_BEHIND = new RegExp(
  String.raw`[a-z][^\d]*\s[\d¼½¾⅐-⅞][\d¼½¾⅐-⅞\s.,/]*(?:${UNIT_WORDS}|t|T|%)\.?(?:\s+[a-z]+){0,3}$`,
  'iu',
);

/** "Flour two cups, water one cup": names with their amounts behind them, a thing between commas. */
function namesFirst(entry: string): string[] {
  const parts = entry.split(/,\s+/);
  return parts.length > 1 && parts.every((part) => AMOUNT_BEHIND.test(numberWords(part))) ? parts : [entry];
}

/** Adds a part to those before it, or to the last of them where it only says more of the same thing. */
function addPart(parts: string[], part: string): void {
  const before = parts.at(-1);
  const join = (joined: string) => void (parts[parts.length - 1] = joined);
  if (before === undefined) parts.push(part);
  else if (BARE_TEMPERATURE.test(part) || SOME_MORE.test(part)) join(`${before} ${part}`);
  // "Two cups, 320 g of flour": the thing comes with the second.
  else if (isBareAmount(before)) join(`${part} (${before})`);
  else if (!isBareAmount(part)) parts.push(part);
  // "Flour, 500 g" says it once; "3 cups flour, 384 g" says it twice.
  else if (hasFigure(before)) join(`${before} (${part.replace(AGAIN_IN_FRONT, '')})`);
  else join(`${before} ${part}`);
}

/** No list stands in a longer line, in letters: it is left whole. */
const LONGEST_LINE = 2000;

function splitLine(line: string): string[] {
  if (line.length > LONGEST_LINE) return [line];
  const lines = EACH_AT_END.test(line) ? ofEach(line) : [line];
  return lines.flatMap((one) => {
    const parts: string[] = [];
    const pieces = one
      .split(AT_COMMA)
      .flatMap((entry) => entry.split(AT_AGAIN))
      .flatMap(namesFirst);
    for (const part of pieces.map((entry) => entry.trim())) addPart(parts, part);
    return parts.flatMap((part) => part.split(AT_AND)).flatMap(ofEach);
  });
}

export const linesOf = (text: string): string[] => text.split(/\r\n|\r|\n|;|\u2028/);

/** Splits a pasted text into lines of one thing each: "2 cups flour, 1 tsp salt; water" are three. */
export function splitEntries(text: string): string[] {
  return linesOf(text)
    .flatMap(splitLine)
    .map((line) => line.trim())
    .filter((line) => line !== '');
}
