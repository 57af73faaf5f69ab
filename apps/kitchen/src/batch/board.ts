import { say } from '../reader/say';
import type { BatchSummary } from '@kettle-scale/core/batch';

/** Where a running batch stands, for the board and the alarms. */
export interface BoardRow {
  batch: BatchSummary;
  /** Late: past its last mark. Due: ready now, or waiting for a hand. Running: its clock goes. */
  state: 'late' | 'due' | 'running';
  /** Seconds to the next mark while running; since the mark when due or late; null without a clock. */
  seconds: number | null;
  /** When the next mark comes; what the board is sorted by. */
  dueMs: number;
}

const RANK = { late: 0, due: 1, running: 2 } as const;

function rowOf(batch: BatchSummary, nowMs: number): BoardRow {
  const { opensMs = null, closesMs = null } = batch.record.now ?? {};
  if (closesMs !== null && nowMs >= closesMs) {
    return { batch, state: 'late', seconds: (nowMs - closesMs) / 1000, dueMs: closesMs };
  }
  if (opensMs !== null && nowMs < opensMs) {
    return { batch, state: 'running', seconds: (opensMs - nowMs) / 1000, dueMs: opensMs };
  }
  const sinceMs = opensMs ?? Date.parse(batch.startedAt);
  return { batch, state: 'due', seconds: opensMs === null ? null : (nowMs - opensMs) / 1000, dueMs: sinceMs };
}

/** What is on the go, what is late first, then what is due, then what comes next. */
export const boardOf = (batches: readonly BatchSummary[], nowMs: number): BoardRow[] =>
  batches
    .map((batch) => rowOf(batch, nowMs))
    .sort((a, b) => RANK[a.state] - RANK[b.state] || a.dueMs - b.dueMs);

export interface Alarm {
  /** The same key as the step's own screen uses, so that one tap quiets both. */
  key: string;
  batchId: string;
  words: string;
}

const WORDS: Partial<Record<string, Record<'open' | 'late', string>>> = {
  mix: { open: 'look at the dough', late: 'mixed long enough' },
  knead: { open: 'test the dough', late: 'stop kneading and test' },
  pause: { open: 'go on with the dough', late: 'the dough waits to be kneaded' },
  rest: { open: 'rest is done', late: 'rest is past its latest' },
};

/** Marks that running batches have passed: the batch and the act in words. */
export function alarmsOf(batches: readonly BatchSummary[], nowMs: number): Alarm[] {
  return batches.flatMap(({ id, formulaName, record: { now } }) => {
    if (!now || now.startedMs === null || now.opensMs === null || nowMs < now.opensMs) return [];
    const phase = now.closesMs !== null && nowMs >= now.closesMs ? 'late' : 'open';
    const words = WORDS[now.kind]?.[phase];
    // Mixing goes by its parts; only its end is called.
    if (!words || (now.kind === 'mix' && phase === 'open')) return [];
    return [
      {
        key: `${id}/${now.stepId}/${now.startedMs}/${phase}`,
        batchId: id,
        words: say('{formula}: {words}', { formula: { name: formulaName }, words }),
      },
    ];
  });
}

/** The next mark still to come, over all batches; null when no clock goes. */
export function nextMarkMs(batches: readonly BatchSummary[], nowMs: number): number | null {
  const marks = batches.flatMap(({ record: { now } }) =>
    [now?.opensMs, now?.closesMs].filter((ms): ms is number => typeof ms === 'number' && ms > nowMs),
  );
  return marks.length > 0 ? Math.min(...marks) : null;
}
