import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { type KitchenCook, cookNames } from '@kettle-scale/core/kitchen';
import { logCsv, logDocument, logRow } from '@kettle-scale/core/exchange';
import { type LessonContext, lessonsFrom } from '@kettle-scale/core/lessons';
import type { BatchFacts } from '@kettle-scale/core/log';
import type { Find } from '../batches/find';
import { type FactsText, openFactsReader } from '../batches/readFacts';
import type { Sql } from '../batches/sql';

/** More batches than a kitchen makes. */
const ALL = 1_000_000;

const compressed = promisify<string, Uint8Array>(gzip);

type FindAll = Omit<Find, 'limit' | 'before'>;

export interface LessonsAsk {
  find: FindAll;
  /** Whether made-up batches teach. */
  demo: boolean;
  context: LessonContext;
}

/** Lessons as they are sent, plain and compressed: they are asked for far more often than they change. */
export interface LessonsText {
  json: string;
  gzip: Uint8Array;
}

export interface LogAsk {
  find: FindAll;
  as: 'csv' | 'json';
  cooks: readonly KitchenCook[];
  /** Whether the document, which says what each step took, says whose it was; the table has no times. */
  people: boolean;
  /** When it is written, ISO 8601 in UTC. */
  exportedAt: string;
}

/** What takes long over a year of batches. It only reads, and what it takes and gives can be sent between processes. */
export function openAsideWork(sql: Pick<Sql, 'select'>) {
  const reader = openFactsReader(sql);
  /** Facts of the lessons before, with the text that they were read from: few of a year change between two. */
  let known = new Map<string, { text: string; facts: BatchFacts }>();

  function read({ batchId, facts: text }: FactsText): BatchFacts {
    const before = known.get(batchId);
    return before?.text === text ? before.facts : (JSON.parse(text) as BatchFacts);
  }

  return {
    lessons: async ({ find, demo, context }: LessonsAsk): Promise<LessonsText> => {
      const rows = await reader.texts({ ...find, limit: ALL });
      known = new Map(rows.map((row) => [row.batchId, { text: row.facts, facts: read(row) }]));
      const measured = [...known.values()].map(({ facts }) => facts).filter((one) => demo || !one.simulated);
      const json = JSON.stringify(lessonsFrom(measured, context));
      return { json, gzip: await compressed(json) };
    },

    /** The log as a file. */
    log: async ({ find, as, cooks, people, exportedAt }: LogAsk): Promise<string> => {
      const facts = (await reader.texts({ ...find, limit: ALL }, people || as === 'csv')).map(read);
      const notes = await reader.notes(facts.map(({ batchId }) => batchId));
      const rows = facts.map((one) => logRow(one, notes.get(one.batchId) ?? []));
      return as === 'csv'
        ? logCsv(rows, cookNames(cooks))
        : JSON.stringify(logDocument(rows, exportedAt), null, 1);
    },
  };
}

export type AsideWork = ReturnType<typeof openAsideWork>;
