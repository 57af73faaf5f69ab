import { message, fromText, type Words } from '../../message/message';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import { z } from 'zod';
import { InputError } from '../../message/problem';
import { numberOrNaN } from '../../quantity/readNumber';
import { type Wave, waveSchema } from '../shiftSchema';
import { readClock } from '../../quantity/clock';

/** What a file says is wanted of one bread, by the name that stands in it. */
export interface FileDemand {
  bread: string;
  waves: Wave[];
  orders: { at: number; pieces: number }[];
}

const COLUMNS = ['bread', 'opens', 'peak', 'closes', 'pieces'] as const;
const MOST_ROWS = 500;

const rowSchema = z.object({ bread: z.string().min(1), pieces: z.number().int().min(1).max(10_000) });

function put(demands: Map<string, FileDemand>, bread: string): FileDemand {
  const known = demands.get(bread) ?? { bread, waves: [], orders: [] };
  demands.set(bread, known);
  return known;
}

/**
 * Demand from CSV with the columns bread, opens, peak, closes and pieces; a row with `opens` alone is an order of that time.
 * @param text the file
 * @throws InputError with the line and what is wrong with it
 */
export function demandFromCsv(text: string): FileDemand[] {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    ...{ header: true, skipEmptyLines: true },
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const missing = COLUMNS.filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0)
    throw InputError.at(
      '',
      message('The file has no column “{missing}”.', { missing: missing.join('”, “') }),
    );
  if (data.length > MOST_ROWS)
    throw InputError.at(
      '',
      message('The file has more than {mostRows, number} rows.', { mostRows: MOST_ROWS }),
    );
  const demands = new Map<string, FileDemand>();
  data.forEach((row, index) => {
    const wrong = (sentence: Words) =>
      InputError.at('', message('Line {index, number}: {sentence}', { index: index + 2, sentence }));
    const { data: read, success } = rowSchema.safeParse({
      bread: row.bread?.trim(),
      pieces: numberOrNaN(row.pieces ?? ''),
    });
    if (!success) throw wrong('name a bread and a whole number of pieces.');
    const opens = readClock(row.opens ?? '');
    if (opens === null) throw wrong('a time is written like 11:45.');
    const demand = put(demands, read.bread);
    if (!row.closes?.trim()) return demand.orders.push({ at: opens, pieces: read.pieces });
    const closes = readClock(row.closes);
    const peak = row.peak?.trim() ? readClock(row.peak) : (opens + (closes ?? opens)) / 2;
    if (closes === null || peak === null) throw wrong('a time is written like 11:45.');
    const wave = waveSchema.safeParse({ opens, peak, closes, pieces: read.pieces });
    if (!wave.success) throw wrong(fromText(wave.error.issues[0]?.message ?? 'this wave is not possible.'));
    return demand.waves.push(wave.data);
  });
  return [...demands.values()];
}

const LONGEST_SUMMARY = 200;
/** "60 Deckhand wrap" or "Deckhand wrap: 60". */
const SUMMARY = /^\s*(?:(\d+)\s+(.+?)|(.+?)\s*:\s*(\d+))\s*$/;

/** When an event begins and ends; the library reads dates when they are asked for, and throws at those it cannot read. */
function timesOf(event: ICAL.Event): { day: string; opens: number; closes: number } {
  const clock = (time: ICAL.Time) => time.hour * 3600 + time.minute * 60 + time.second;
  try {
    const { startDate, endDate } = event;
    const opens = clock(startDate);
    return { day: startDate.toString().slice(0, 10), opens, closes: endDate ? clock(endDate) : opens };
  } catch {
    throw InputError.at('', message('The time of “{summary}” cannot be read.', { summary: event.summary }));
  }
}

/**
 * Orders and waves from a calendar: an event "60 Deckhand wrap" with an end is a wave with its peak in the middle, one
 * without is an order. Only events of the day count.
 * @param text the file, iCalendar (RFC 5545)
 * @param day 2026-03-04
 * @throws InputError where it is no calendar, or no event of it says how much of what
 */
export function demandFromIcs(text: string, day: string): FileDemand[] {
  let events: ICAL.Event[];
  try {
    events = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      // Without being told of exceptions, every event would look for its own among all others.
      .map((component) => new ICAL.Event(component, { exceptions: [] }));
  } catch {
    throw InputError.at('', 'This is not a calendar.');
  }
  const demands = new Map<string, FileDemand>();
  for (const event of events) {
    const summary = (event.summary ?? '').trim();
    // A longer one names no bread of ours.
    if (summary.length > LONGEST_SUMMARY) continue;
    const [, first, name, other, last] = SUMMARY.exec(summary) ?? [];
    const bread = name ?? other;
    const pieces = Number(first ?? last);
    if (!bread || !(pieces > 0)) continue;
    const { day: of, opens, closes } = timesOf(event);
    if (of !== day) continue;
    const demand = put(demands, bread);
    if (closes <= opens) demand.orders.push({ at: opens, pieces });
    else demand.waves.push({ opens, peak: (opens + closes) / 2, closes, pieces });
  }
  if (demands.size === 0) {
    throw InputError.at(
      '',
      message('No event of {day} says how much of which bread, like “60 Deckhand wrap”.', { day }),
    );
  }
  return [...demands.values()];
}

/** One act of a plan as a calendar tells it. */
export interface CalendarAct {
  id: string;
  words: string;
  fromMs: number;
  toMs: number;
}

/**
 * The acts of a plan as a calendar (iCalendar, RFC 5545), times in UTC.
 * @param name what the calendar is called
 * @param acts the acts
 * @param stampMs when it was written
 */
export function planIcs(name: string, acts: readonly CalendarAct[], stampMs: number): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('prodid', '-//Kettle Scale//EN');
  calendar.updatePropertyWithValue('x-wr-calname', name);
  const time = (ms: number) => ICAL.Time.fromJSDate(new Date(ms), true);
  for (const { id, words, fromMs, toMs } of acts) {
    const event = new ICAL.Component('vevent');
    event.updatePropertyWithValue('uid', id);
    event.updatePropertyWithValue('dtstamp', time(stampMs));
    event.updatePropertyWithValue('dtstart', time(fromMs));
    event.updatePropertyWithValue('dtend', time(Math.max(toMs, fromMs + 60_000)));
    event.updatePropertyWithValue('summary', words);
    calendar.addSubcomponent(event);
  }
  return `${calendar.toString()}\r\n`;
}
