import { copyFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BatchEvent, EventBody } from '@kettle-scale/core/batch';
import { DEVICE_KINDS } from '@kettle-scale/core/device';
import type { Formula } from '@kettle-scale/core/formula';
import type { Language } from '@kettle-scale/core/message';
import { demoFormulas, openStandIns } from '@kettle-scale/simulation';
import type { Express } from 'express';
import pino from 'pino';
import request from 'supertest';
import { v7 as uuidv7 } from 'uuid';
import { APP_HEADER } from '../access/gate';
import { createApp } from '../app';
import { openAsideWork } from '../aside/work';
import { openSql } from '../batches/sql';
import { settle } from '../db/connection';
import { openDatabase } from '../db/openDatabase';
import { seedDemo } from '../demo/seedDemo';
import { createHub } from '../live/hub';
import { openStores } from '../stores';

export const NOW = new Date('2026-03-04T10:00:00.000Z');

const newFile = () => join(mkdtempSync(join(tmpdir(), 'kettle-')), 'kitchen.sqlite');

/** A fresh kitchen and a fresh demo, each made once: a copy of its file is quicker than its migrations and its history. */
const made = new Map<boolean, Promise<string>>();
async function make(seeded: boolean): Promise<string> {
  const file = newFile();
  const database = await openDatabase(file, { upgrade: true });
  const stores = await openStores(database, seeded);
  if (seeded) await seedDemo(stores, NOW);
  await database.close();
  // What was written last may still stand beside the file.
  await settle(file);
  return file;
}

async function copyOf(seeded: boolean): Promise<string> {
  const source = made.get(seeded) ?? make(seeded);
  made.set(seeded, source);
  const file = newFile();
  copyFileSync(await source, file);
  return file;
}

/** Asks as the app does. */
function asApp(app: Express) {
  const method = (name: 'get' | 'post' | 'put' | 'patch' | 'delete') => (path: string) =>
    request(app)[name](path).set(APP_HEADER, 'test');
  return {
    ...{ get: method('get'), post: method('post'), put: method('put') },
    ...{ patch: method('patch'), delete: method('delete') },
  };
}

interface TestKitchen {
  file?: string;
  /** A made-up kitchen; filled, unless it says otherwise. */
  demo?: boolean;
  seeded?: boolean;
  simulate?: boolean;
  languages?: readonly Language[];
  /** Where errors that nobody foresaw are told; nowhere when not given. */
  log?: pino.DestinationStream;
}

/** Closed at the end of their file even where a test failed before: what is left open would keep the whole run from ending. */
const open = new Set<() => Promise<void>>();
const closeAll = async (): Promise<void> => void (await Promise.all([...open].map((close) => close())));
// The fuzz works in such a kitchen too, outside of Jest.
if (typeof afterAll === 'function') afterAll(closeAll);

/** What closes something once: by its test, else at the end of the file. */
export function closing(close: () => Promise<void>): () => Promise<void> {
  const once = async (): Promise<void> => {
    if (!open.delete(once)) return;
    await close();
  };
  open.add(once);
  return once;
}

/** A whole server on a database file of its own, without a port. */
export async function openTestKitchen({
  file = '',
  demo = false,
  seeded = demo,
  simulate = demo,
  languages = [],
  log,
}: TestKitchen = {}) {
  const path = file || (await copyOf(seeded));
  const database = await openDatabase(path, { upgrade: true });
  const stores = await openStores(database, demo);
  if (seeded && file) await seedDemo(stores, NOW);
  const hub = createHub();
  const aside = openAsideWork(openSql(database));
  const app = createApp({
    ...{ database, stores, hub, demo, aside, languages },
    logger: log ? pino({ level: 'error' }, log) : pino({ level: 'silent' }),
    now: () => NOW,
    standIns: openStandIns(simulate ? DEVICE_KINDS : [], () => NOW),
    checkAnswers: true,
  });
  const api = asApp(app);
  return {
    path,
    database,
    stores,
    hub,
    aside,
    app,
    api,
    /** Changes what is at an address, made from what is there now. */
    over: async (method: 'put' | 'patch', at: string, body: object) => {
      const found = await api.get(at);
      const { etag } = (found.status === 200 ? found.headers : {}) as { etag?: string };
      const { status } = await api[method](at)
        .set(etag ? { 'if-match': etag } : {})
        .send(body);
      if (status !== 200) throw new Error(`${method} ${at}: ${status}`);
    },
    close: closing(() => database.close()),
  };
}

export const wrap = (): Formula => {
  const found = demoFormulas().find(({ id }) => id === 'deckhand-wrap');
  if (!found) throw new Error('no deckhand-wrap');
  return found;
};

export const event = (body: EventBody): BatchEvent =>
  ({ ...body, id: uuidv7(), at: NOW.toISOString() }) as BatchEvent;

export const batchStart = <T extends object>(changes: T = {} as T) => ({
  id: uuidv7(),
  at: NOW.toISOString(),
  formulaId: 'deckhand-wrap',
  formulaVersion: 1,
  need: { by: 'pieces', pieces: 24, ballG: 105 },
  ...changes,
});
