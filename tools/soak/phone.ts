import { Agent, type ClientRequest, request } from 'node:http';
import { v7 as uuidv7 } from 'uuid';

/** An answer of the server, whatever it was. */
interface Reply {
  status: number;
  text: string;
}

export interface PhoneOptions {
  url: string;
  /** Acts a second. */
  rate: number;
  formula: { id: string; ballG: number };
  /** Of each of its batches; then it begins the next one. */
  pieces: number;
  /** Told of every act: when it was due, and how long after that it was acknowledged, ms. */
  told: (tookMs: number) => void;
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A phone on the plate: it tells of piece after piece, batch after batch, and listens to the kitchen where it is asked to. */
export function openPhone({ url, rate, formula, pieces, told }: PhoneOptions) {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const ask = (method: string, path: string, body?: unknown): Promise<Reply> =>
    new Promise((resolve, reject) => {
      const headers = { 'kettle-app': 'tool', ...(body ? { 'content-type': 'application/json' } : {}) };
      const asked = request(`${url}/api/v1${path}`, { method, headers, agent }, (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (chunk: string) => (text += chunk));
        response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
        response.on('error', reject);
      });
      asked.on('error', reject);
      asked.end(body === undefined ? undefined : JSON.stringify(body));
    });
  const must = async (method: string, path: string, body?: unknown): Promise<string> => {
    const { status, text } = await ask(method, path, body);
    if (status >= 300) throw new Error(`${method} ${path} was refused with ${status}: ${text}`);
    return text;
  };

  /** What was acknowledged, batch by batch, in order. */
  const batches: { id: string; acts: string[] }[] = [];
  let heard = 0;
  let stream: ClientRequest | null = null;
  /** Hears what happens in the kitchen from now on. */
  function listen(): void {
    stream = request(`${url}/api/v1/stream`, (response) => {
      response.on('data', () => (heard += 1));
    });
    // The stream ends with the server.
    stream.on('error', () => undefined);
    stream.end();
  }

  async function begin(): Promise<{ id: string; acts: string[] }> {
    const batch = { id: uuidv7(), acts: [] };
    const need = { by: 'pieces', pieces, ballG: formula.ballG };
    const at = new Date().toISOString();
    await must('POST', '/batches', { id: batch.id, at, formulaId: formula.id, formulaVersion: 1, need });
    batches.push(batch);
    return batch;
  }
  /** What is told of the n-th act of a batch. */
  const bodyOf = (n: number) => {
    const piece = 1 + Math.floor(n / 3);
    if (piece > pieces) return { type: 'finished', pieces, good: pieces - 2 };
    if (n % 3 === 1) return { type: 'flipped', piece, side: 2 };
    return { type: n % 3 === 0 ? 'piece-on' : 'piece-off', piece };
  };

  return {
    batches,
    begin,
    listen,
    heard: () => heard,
    /** Tells of acts at their times, from then until then; an act that is late counts from when it was due. */
    work: async (startMs: number, untilMs: number): Promise<void> => {
      let batch = batches.at(-1) ?? (await begin());
      for (let n = 0; ; n += 1) {
        const dueMs = startMs + (n * 1000) / rate;
        if (dueMs > untilMs) return;
        if (performance.now() < dueMs) await pause(dueMs - performance.now());
        const body = bodyOf(batch.acts.length);
        const event = { ...body, id: uuidv7(), at: new Date().toISOString() };
        await must('POST', `/batches/${batch.id}/events`, event);
        told(performance.now() - dueMs);
        batch.acts.push(event.id);
        if (body.type === 'finished') batch = await begin();
      }
    },
    /** Asks for a page as a screen would. */
    read: (path: string) => must('GET', path),
    close: (): void => {
      stream?.destroy();
      agent.destroy();
    },
  };
}
