import type {
  Batch,
  BatchEvent,
  BatchRecord,
  BatchStart,
  BatchSummary,
  FlourLot,
  Formula,
  Ingredient,
  Kitchen,
  Problem,
} from '@kettle-scale/core';

const ROOT = '/api/v1';
/** A request that takes longer than this is given up; the queue tries again. */
const TIMEOUT_MS = 10_000;

/** The server said no, in words for the cook. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: readonly Problem[],
  ) {
    super(message);
    this.name = 'Refused';
  }
}

/** The server could not be reached, or broke; nothing is known to have changed. */
export class Unreachable extends Error {
  constructor() {
    super('The kitchen’s server does not answer. What you entered is kept on this device.');
    this.name = 'Unreachable';
  }
}

async function call<T>(method: 'GET' | 'POST' | 'PUT', path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(ROOT + path, {
      method,
      signal: AbortSignal.timeout(TIMEOUT_MS),
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    });
  } catch (error) {
    if (error instanceof DOMException || error instanceof TypeError) throw new Unreachable();
    throw error;
  }
  if (response.ok) return (await response.json()) as T;
  if (response.status >= 500) throw new Unreachable();
  const problem = (await response.json()) as { detail: string; errors: Problem[] };
  throw new Refused(response.status, problem.detail, problem.errors);
}

/** The server's addresses, typed. Its answers were validated where they were stored. */
export const api = {
  ingredients: () => call<Ingredient[]>('GET', '/ingredients'),
  kitchen: () => call<Kitchen>('GET', '/kitchen'),
  saveKitchen: (kitchen: Kitchen) => call<Kitchen>('PUT', '/kitchen', kitchen),
  flourLots: () => call<FlourLot[]>('GET', '/flour-lots'),
  formulas: () => call<Formula[]>('GET', '/formulas'),
  addFormula: (formula: Formula) => call<unknown>('POST', '/formulas', { formula, reason: 'From a file' }),
  batches: (status?: BatchRecord['status']) =>
    call<BatchSummary[]>('GET', `/batches?limit=100${status ? `&status=${status}` : ''}`),
  batch: (id: string) => call<Batch>('GET', `/batches/${encodeURIComponent(id)}`),
  startBatch: (start: BatchStart) => call<Batch>('POST', '/batches', start),
  addEvent: (batchId: string, event: BatchEvent) =>
    call<BatchEvent>('POST', `/batches/${encodeURIComponent(batchId)}/events`, event),
};
