import { message, type Words } from '@kettle-scale/core/message';
import { createInterface } from 'node:readline';
import { Transform, type Readable } from 'node:stream';
import { HttpProblem } from '../http/problem';
import { openEnd } from '../untilEnd';

/** How much a backup may bring, and how long it may take. */
export interface Limits {
  lineBytes: number;
  allBytes: number;
  /** Between two pieces of it, ms. */
  stallMs: number;
  wholeMs: number;
}

/** A batch with as many acts as one may have fits a line; several years of work fit the whole. */
export const LIMITS: Limits = {
  lineBytes: 256_000_000,
  allBytes: 8_000_000_000,
  stallMs: 30_000,
  wholeMs: 20 * 60_000,
};

const NEWLINE = 10;
const MB = 1_000_000;
const MS_PER_S = 1000;

/** Passes bytes on, and ends in a problem when a line, or all of it, is longer than it may be. */
function counted({ lineBytes, allBytes }: Limits): Transform {
  let line = 0;
  let all = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      const last = chunk.lastIndexOf(NEWLINE);
      const first = chunk.indexOf(NEWLINE);
      const longest = Math.max(line + (first < 0 ? chunk.length : first), last - first);
      line = last < 0 ? line + chunk.length : chunk.length - 1 - last;
      all += chunk.length;
      if (longest > lineBytes) {
        done(
          new HttpProblem(
            413,
            message('A line of the backup is longer than {most, number} MB.', {
              most: Math.round(lineBytes / MB),
            }),
          ),
        );
      } else if (all > allBytes) {
        done(
          new HttpProblem(
            413,
            message('The backup is larger than {most, number} MB.', { most: Math.round(allBytes / MB) }),
          ),
        );
      } else done(null, chunk);
    },
  });
}

/**
 * Lines of a backup as they arrive, numbered from 1.
 * @throws HttpProblem when it is too large, or the sender stops or takes too long
 */
export async function* incomingLines(
  source: Readable,
  limits: Limits,
): AsyncGenerator<{ text: string; at: number }> {
  const passing = counted(limits);
  const giveUp = (words: Words) => () => passing.destroy(new HttpProblem(408, words));
  const whole = setTimeout(
    giveUp(
      message('The backup took longer than {seconds, number} s. Nothing was changed.', {
        seconds: limits.wholeMs / MS_PER_S,
      }),
    ),
    limits.wholeMs,
  );
  const stall = giveUp(
    message('No part of the backup arrived for {seconds, number} s. Nothing was changed.', {
      seconds: limits.stallMs / MS_PER_S,
    }),
  );
  let stalled: NodeJS.Timeout | undefined;
  source.on('data', () => stalled?.refresh());
  source.on('error', (error) => passing.destroy(error));
  source.on('close', () => {
    if (!source.readableEnded)
      passing.destroy(new HttpProblem(400, 'The backup was cut off on its way. Nothing was changed.'));
  });
  source.pipe(passing);
  try {
    const { before, end } = openEnd();
    passing.once('error', end);
    const lines = createInterface({ input: passing, crlfDelay: Infinity })[Symbol.asyncIterator]();
    for (let at = 1; ; at += 1) {
      // Only the wait for the sender counts: while a line is worked on, nothing is asked of him.
      stalled = setTimeout(stall, limits.stallMs);
      const next = await before(lines.next());
      clearTimeout(stalled);
      if (next.done) return;
      yield { text: next.value, at };
    }
  } finally {
    clearTimeout(whole);
    clearTimeout(stalled);
    source.unpipe(passing);
    passing.destroy();
    // What is still on its way is let past: unread, it would hold up whatever comes next on the same connection.
    source.resume();
  }
}
