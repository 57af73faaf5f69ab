import { Agent, request } from 'node:http';
import type { Asked } from './requests';

export interface Answer {
  status: number;
  type: string;
  text: string;
  tookMs: number;
}

const agent = new Agent({ keepAlive: true, maxSockets: 1 });
/** What Node would not send as it stands. */
const sendable = (path: string): string =>
  path.replace(/[^\x21-\x7e]/g, (letter) => encodeURIComponent(letter));

/**
 * Sends what was made up, and waits for the whole answer; of a stream for its beginning.
 * @param limitMs after that the server is said to hang
 * @throws Error when there is no answer in that time, or the connection breaks
 */
export const ask = (url: string, of: Asked, limitMs: number): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const { method, path, body, type, ifMatch } = of;
    const from = performance.now();
    const headers = {
      'kettle-app': 'fuzz',
      ...(type ? { 'content-type': type } : {}),
      ...(ifMatch === undefined ? {} : { 'if-match': ifMatch }),
    };
    const asked = request(
      url,
      { method, path: sendable(path), headers, agent, timeout: limitMs },
      (response) => {
        const contentType = response.headers['content-type'] ?? '';
        const chunks: Buffer[] = [];
        const answer = () =>
          resolve({
            ...{ status: response.statusCode ?? 0, type: contentType },
            ...{ text: Buffer.concat(chunks).toString('utf8'), tookMs: performance.now() - from },
          });
        if (contentType.startsWith('text/event-stream')) {
          answer();
          return void asked.destroy();
        }
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', answer);
        response.on('error', reject);
      },
    );
    asked.on('timeout', () => asked.destroy(new Error(`no answer in ${limitMs} ms`)));
    asked.on('error', (error: NodeJS.ErrnoException) => {
      // The server lets go of a connection that stays idle, maybe just now: only a fresh one that breaks is its fault.
      if (asked.reusedSocket && error.code === 'ECONNRESET') ask(url, of, limitMs).then(resolve, reject);
      else reject(error);
    });
    asked.end(body);
  });
