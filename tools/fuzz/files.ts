import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { BOOK_FORMAT } from '@kettle-scale/core/document';
import { bookToCsv, readFormulaFile, recipeOf } from '@kettle-scale/core/exchange';
import { InputError } from '@kettle-scale/core/message';
import { demandFromCsv, demandFromIcs } from '@kettle-scale/core/shift';
import { readList } from '@kettle-scale/core/writing';
import { type Random, demoFormulas } from '@kettle-scale/simulation';
import { spoilJson, spoilText } from './spoil';

const DAY = '2026-03-04';
const CALENDAR = `BEGIN:VCALENDAR
VERSION:2.0
PRODID:-//Kitchen//EN
BEGIN:VEVENT
UID:1
DTSTART:20260304T120000
DTEND:20260304T133000
SUMMARY:60 Deckhand wrap
END:VEVENT
END:VCALENDAR`;
const TABLE = `bread,opens,peak,closes,pieces
Deckhand wrap,11:30,12:30,14:00,80
Pilot press,12:00,,,24`;
const LIST = `500 g strong flour
270 g water (55 °C)
1 1/2 tsp salt
2 tbsp oil, plus more for the bowl
Makes 12`;

/** Whatever a kitchen brings in, as it should be, and what reads it. */
function kinds(): { name: string; text: string; read: (text: string) => unknown; json: boolean }[] {
  const formulas = demoFormulas();
  const [formula] = formulas;
  if (!formula) throw new Error('no demo formula');
  const book = { format: BOOK_FORMAT, formatVersion: 1, formulas, ingredients: [] };
  const formulaFile = (text: string) => readFormulaFile(text, CATALOGUE);
  return [
    { name: 'book', text: JSON.stringify(book), read: formulaFile, json: true },
    { name: 'formula', text: JSON.stringify(formula), read: formulaFile, json: true },
    { name: 'recipe', text: JSON.stringify(recipeOf(formula, CATALOGUE)), read: formulaFile, json: true },
    {
      name: 'table of formulas',
      text: bookToCsv({ formulas, ingredients: [], archived: [] }, CATALOGUE),
      read: formulaFile,
      json: false,
    },
    { name: 'list', text: LIST, read: formulaFile, json: false },
    { name: 'written list', text: LIST, read: (text) => readList(text, { foods: CATALOGUE }), json: false },
    { name: 'demand', text: TABLE, read: demandFromCsv, json: false },
    { name: 'calendar', text: CALENDAR, read: (text) => demandFromIcs(text, DAY), json: false },
  ];
}

/**
 * Reads spoiled files of every kind.
 * @param count files
 * @param limitMs reading may take so long
 * @returns what was neither read nor refused in words
 */
export function fuzzFiles(count: number, random: Random, limitMs: number): string[] {
  const all = kinds();
  return Array.from({ length: count }, () => random.pick(all)).flatMap(({ name, text, read, json }) => {
    const spoiled =
      json && random.chance(0.6)
        ? (JSON.stringify(spoilJson(JSON.parse(text), random)) ?? '')
        : spoilText(text, random);
    const from = performance.now();
    const told = (what: string) => [`${name}: ${what}: ${(JSON.stringify(spoiled) ?? '').slice(0, 300)}`];
    try {
      read(spoiled);
    } catch (error) {
      if (!(error instanceof InputError))
        return told(error instanceof Error ? (error.stack ?? error.message) : String(error));
    }
    const tookMs = performance.now() - from;
    return tookMs > limitMs ? told(`read for ${tookMs.toFixed(0)} ms`) : [];
  });
}
