import type { CDPSession } from '@playwright/test';

/** The most that the first page may be sent, kB of gzip. */
export const FIRST_LOAD_KB = { script: 450, all: 700 } as const;
const BYTES_PER_KB = 1000;

/** Counts what a page is sent from now on: kB on the wire, of all files or of those whose address ends so. */
export async function countLoaded(client: CDPSession): Promise<(ends?: string) => number> {
  const urls = new Map<string, string>();
  const bytes = new Map<string, number>();
  client.on('Network.responseReceived', ({ requestId, response }) => urls.set(requestId, response.url));
  client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) =>
    bytes.set(requestId, encodedDataLength),
  );
  await client.send('Network.enable');
  return (ends = '') =>
    [...bytes].reduce((total, [id, size]) => total + (urls.get(id)?.endsWith(ends) ? size : 0), 0) /
    BYTES_PER_KB;
}
