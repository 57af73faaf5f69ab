import { type Problem, message, pathText } from '@kettle-scale/core/message';
import { aheadWords } from './clock';

/** Under these names documents say when something was done, stored or received; a day that is planned has another. */
const DATED: ReadonlySet<string> = new Set([
  'at',
  'startedAt',
  'savedAt',
  'receivedAt',
  'receivedOn',
  'weighedOn',
  'chosenAt',
  'archivedAt',
  'madeAt',
  'exportedAt',
  'pairedAt',
]);
const DAY_MS = 24 * 3_600_000;
/** No kitchen has records of before: a phone that says so has lost its clock. */
const FIRST_YEAR = 2000;
const FIRST_MS = Date.UTC(FIRST_YEAR, 0, 1);

/** What is wrong with the moment of something that has happened; null when nothing is. */
function wrongDate(text: string, nowMs: number): Problem['message'] | null {
  const ms = Date.parse(text);
  // What is no date at all is told by the schema.
  if (Number.isNaN(ms)) return null;
  if (ms < FIRST_MS) {
    return message('This is dated before the year {year}: check the clock of the device.', {
      year: { name: String(FIRST_YEAR) },
    });
  }
  return ms - nowMs > DAY_MS ? aheadWords('This', ms - nowMs) : null;
}

/**
 * Returns what of a document is dated before this century or after tomorrow: such a record would stand at the wrong end of every
 * list, and break timers.
 * @param document as it was sent
 * @param now the server's clock
 */
export function wrongDates(document: unknown, now: Date): Problem[] {
  const problems: Problem[] = [];
  const look = (value: unknown, path: readonly (string | number)[], dated: boolean): void => {
    if (typeof value === 'string') {
      const wrong = dated ? wrongDate(value, now.getTime()) : null;
      if (wrong) problems.push({ path: pathText(path), message: wrong });
    } else if (Array.isArray(value)) value.forEach((one, index) => look(one, [...path, index], dated));
    else if (typeof value === 'object' && value !== null) {
      for (const [key, one] of Object.entries(value)) look(one, [...path, key], DATED.has(key));
    }
  };
  look(document, [], false);
  return problems;
}
