import { language } from '../reader/language';
import { say } from '../reader/say';
import type { ServiceAct, ServiceDay, ServiceRecord } from '@kettle-scale/core/shift';
import type { Batch, BatchEvent, BatchRecord, BatchStart, BatchSummary } from '@kettle-scale/core/batch';
import type { DeviceAct, DeviceKind, HeardReading } from '@kettle-scale/core/device';
import type { Book, BookEntry, FormulaVersion, ImportReport, OnTaken } from '@kettle-scale/core/document';
import type { FlourLot, LotState } from '@kettle-scale/core/flourLot';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen, KitchenChange, TimesChosen } from '@kettle-scale/core/kitchen';
import type { BatchFacts, Lesson } from '@kettle-scale/core/log';
import type { Problem, Words } from '@kettle-scale/core/message';
import type { KitchenAccess, PairingCode, Phone, Role } from '@kettle-scale/core/phone';
import type { Carried, SavedPlan } from '@kettle-scale/core/plan';
import type { LoggedPiece, Opinions } from '@kettle-scale/core/bake';
import { asOf } from './asOf';
import { keyIsLost } from './key';

export const ROOT = '/api/v1';
/** How far the kitchen's news had come when the server made its answer. */
const POSITION_HEADER = 'Kitchen-News';
/** Says that it is the app that asks: no page from elsewhere can. */
const FROM_APP = { 'kettle-app': 'kitchen' } as const;

/** How the server and its disk are; see its `/health`. */
export interface Health {
  status: 'ok' | 'trouble';
  version: string;
  demo: boolean;
  /** Whether it is a demo kitchen beside a real one, to be thrown away. */
  sandbox: boolean;
  lastWriteAt: string | null;
  freeBytes: number | null;
  problems: string[];
  /** Backups that the server makes by itself; null where it makes none. */
  backup: { lastAt: string | null; problem: string | null } | null;
}

/** A request that takes longer than this is given up; the queue tries again. */
const TIMEOUT_MS = 10_000;

/** The server said no, in words for the cook. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: readonly Problem[],
    /** What is there now, where something changed in between. */
    readonly current?: unknown,
    /** How the same may be asked for without what is wrong with it: a query to add. */
    readonly instead?: string,
  ) {
    super(message);
    this.name = 'Refused';
  }
}

/** The server could not be reached, or broke; nothing is known to have changed. */
export class Unreachable extends Error {
  constructor(why = 'The kitchen’s server does not answer.') {
    super(say('{why} What you entered is kept on this device.', { why }));
    this.name = 'Unreachable';
  }
}

/** This phone was never paired, or its key was taken away; it may be paired again. */
export class NoKey extends Unreachable {
  constructor(why: string | undefined) {
    super(why);
    this.name = 'NoKey';
  }
}

async function send<T>(path: string, init: RequestInit, timeoutMs = TIMEOUT_MS): Promise<T> {
  let response: Response;
  try {
    response = await fetch(ROOT + path, {
      ...init,
      headers: { ...FROM_APP, 'accept-language': language().language, ...init.headers },
      signal: AbortSignal.timeout(timeoutMs),
    });
  } catch (error) {
    if (error instanceof DOMException || error instanceof TypeError) throw new Unreachable();
    throw error;
  }
  asOf.answered(response.headers.get(POSITION_HEADER));
  if (response.ok) return (await jsonOf(response)) as T;
  if (response.status === NO_KEY) {
    const why = detailOf(await jsonOf(response));
    keyIsLost();
    throw new NoKey(why);
  }
  if (response.status === CANNOT_SAVE) throw new Unreachable(detailOf(await jsonOf(response)));
  if (response.status >= 500) throw new Unreachable();
  const problem = (await jsonOf(response)) as {
    detail: string;
    errors: (Problem & { words?: Words })[];
    current?: unknown;
    instead?: string;
  };
  const problems = problem.errors.map(({ words, ...one }) => ({ ...one, message: words ?? one.message }));
  const inWords = problems.map(({ message }) => say(message)).join(' ');
  const { current, instead } = problem;
  throw new Refused(response.status, inWords || say(problem.detail), problems, current, instead);
}

/** The server is there and its disk is not: it says why. */
const CANNOT_SAVE = 503;
const NO_KEY = 401;

const detailOf = (problem: unknown): string | undefined => (problem as { detail?: string }).detail;

/** An answer that is not JSON is not the kitchen's: a proxy, a log-in page of a network. */
async function jsonOf(response: Response): Promise<unknown> {
  try {
    return await response.json();
  } catch (error) {
    const cutOff = error instanceof DOMException || error instanceof TypeError;
    if (cutOff || error instanceof SyntaxError) throw new Unreachable();
    throw error;
  }
}

const slug = encodeURIComponent;

const call = <T>(
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<T> =>
  send<T>(path, {
    method,
    ...(body === undefined
      ? { headers }
      : { body: JSON.stringify(body), headers: { 'content-type': 'application/json', ...headers } }),
  });

/** The version that a change was made from; nothing for what is new. */
const matching = (ifMatch: string | null): Record<string, string> =>
  ifMatch === null ? {} : { 'if-match': ifMatch };

/** A kitchen with a year of batches is made up meanwhile. */
const SANDBOX_MS = 120_000;
/** A whole kitchen takes longer than an act. */
const RESTORE_TIMEOUT_MS = 10 * 60_000;

/** What the log is searched by; see the server's `/batches`. */
export type FindWords = Partial<
  Record<
    'status' | 'formula' | 'lot' | 'cook' | 'from' | 'to' | 'result' | 'text' | 'before' | 'limit',
    string
  >
>;

/** The words of a search as an address carries them; empty ones are left out. */
export const findAddress = (find: FindWords): string =>
  new URLSearchParams(Object.entries(find).filter(([, value]) => value)).toString();

const BACKUP_TYPE = 'application/x-ndjson';

/** The server's addresses, typed. Its answers were validated where they were stored. */
export const api = {
  ingredients: () => call<Ingredient[]>('GET', '/ingredients'),
  kitchen: () => call<Kitchen>('GET', '/kitchen'),
  changeKitchen: (change: KitchenChange, ifMatch: string | null = null) =>
    call<Kitchen>('PATCH', '/kitchen', change, matching(ifMatch)),
  /** Takes a cook's name out of all records, for good. */
  makeNameless: (cook: string) => call<Kitchen>('POST', `/kitchen/cooks/${slug(cook)}/nameless`),
  flourLots: () => call<LotState[]>('GET', '/flour-lots'),
  saveFlourLot: (lot: FlourLot, ifMatch: string | null = null) =>
    call<LotState>('PUT', `/flour-lots/${slug(lot.id)}`, lot, matching(ifMatch)),
  services: () => call<ServiceRecord[]>('GET', '/services'),
  service: (day: string) => call<ServiceRecord | null>('GET', `/services/${slug(day)}`),
  saveService: (service: ServiceDay, ifMatch: string | null = null) =>
    call<ServiceRecord>('PUT', `/services/${slug(service.day)}`, service, matching(ifMatch)),
  serviceAct: (day: string, act: ServiceAct) => call<ServiceAct>('POST', `/services/${slug(day)}/acts`, act),
  savedPlans: () => call<SavedPlan[]>('GET', '/saved-plans'),
  savePlan: (plan: SavedPlan) => call<SavedPlan>('PUT', `/saved-plans/${slug(plan.id)}`, plan),
  forgetPlan: (id: string) => call<SavedPlan[]>('DELETE', `/saved-plans/${slug(id)}`),
  deviceAct: (kind: DeviceKind, act: DeviceAct) =>
    call<HeardReading | null>('POST', `/devices/${kind}/acts`, act),
  health: () => call<Health>('GET', '/health'),
  /** A demo kitchen beside this one, and the way back from it: where to go, on the same name. */
  openSandbox: () => send<{ port: number }>('/sandbox', { method: 'POST' }, SANDBOX_MS),
  leaveSandbox: () => call<{ port: number }>('DELETE', '/sandbox'),
  saveIngredient: (food: Ingredient, ifMatch: string | null = null) =>
    call<Ingredient>('PUT', `/ingredients/${slug(food.id)}`, food, matching(ifMatch)),
  resetIngredient: (id: string) => call<Ingredient[]>('DELETE', `/ingredients/${slug(id)}`),
  book: () => call<BookEntry[]>('GET', '/book'),
  ownIngredients: () => call<Ingredient[]>('GET', '/book/own-ingredients'),
  importBook: (book: Book, onTaken: OnTaken) => call<ImportReport>('POST', '/book', { book, onTaken }),
  addFormula: (formula: Formula, reason: string) =>
    call<FormulaVersion>('POST', '/formulas', { formula, reason }),
  /** Saves the next version; refused with 412 and the newest one when that is not `after`. */
  saveVersion: (formula: Formula, reason: string, after: number) =>
    call<FormulaVersion>(
      'POST',
      `/formulas/${slug(formula.id)}/versions`,
      { formula, reason },
      { 'if-match': `"${after}"` },
    ),
  versions: (id: string) => call<FormulaVersion[]>('GET', `/formulas/${slug(id)}/versions`),
  archive: (id: string, archived: boolean) =>
    call<unknown>('PUT', `/formulas/${slug(id)}/archived`, { archived }),
  batches: (status?: BatchRecord['status']) =>
    call<BatchSummary[]>('GET', `/batches?limit=100${status ? `&status=${status}` : ''}`),
  findBatches: (find: FindWords) => call<BatchSummary[]>('GET', `/batches?${findAddress(find)}`),
  batchFacts: (find: FindWords) => call<BatchFacts[]>('GET', `/batch-facts?${findAddress(find)}`),
  lessons: () => call<Lesson[]>('GET', '/lessons'),
  griddlePieces: (formulaId: string) =>
    call<LoggedPiece[]>('GET', `/griddle-pieces?formula=${slug(formulaId)}`),
  bakeOpinions: (key: string) => call<Opinions | null>('GET', `/bake-opinions/${slug(key)}`),
  keepBakeOpinions: (key: string, opinions: Opinions) =>
    call<Opinions>('PUT', `/bake-opinions/${slug(key)}`, opinions),
  chooseTimes: (chosen: TimesChosen) => call<Kitchen>('POST', '/kitchen/times-chosen', chosen),
  carried: () => call<Carried[]>('GET', '/carried'),
  carry: (carried: Carried) => call<Carried>('PUT', `/carried/${slug(carried.id)}`, carried),
  dropCarried: (id: string) => call<Carried[]>('DELETE', `/carried/${slug(id)}`),
  access: () => call<KitchenAccess>('GET', '/access'),
  phones: () => call<Phone[]>('GET', '/phones'),
  pairingCode: (role: Role) => call<PairingCode>('POST', '/phones/codes', { role }),
  changePhone: ({ id, name, role }: Phone) => call<Phone>('PUT', `/phones/${slug(id)}`, { name, role }),
  removePhone: (id: string) => call<Phone[]>('DELETE', `/phones/${slug(id)}`),
  /** @param how queries, as in `replace=true` */
  restore: (backup: Blob, how: readonly string[]) =>
    send<Record<string, number>>(
      `/backup${how.length > 0 ? `?${how.join('&')}` : ''}`,
      { method: 'POST', body: backup, headers: { 'content-type': BACKUP_TYPE } },
      RESTORE_TIMEOUT_MS,
    ),
  batch: (id: string) => call<Batch>('GET', `/batches/${slug(id)}`),
  startBatch: (start: BatchStart) => call<Batch>('POST', '/batches', start),
  addEvent: (batchId: string, event: BatchEvent) =>
    call<BatchEvent>('POST', `/batches/${slug(batchId)}/events`, event),
};
