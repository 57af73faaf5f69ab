import { type RequestListener, createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { type Server, type Socket, createServer } from 'node:net';
import type { Certified } from './certificates';

/** The first byte of a TLS connection; no word of HTTP begins with it. */
const TLS_HANDSHAKE = 0x16;
/** Who connects and says nothing for so long is let go. */
const SILENT_MS = 10_000;

/**
 * One port for both: HTTPS, and plain HTTP for the server's own screen and for who typed the address without the s.
 * @param app what answers
 * @param certificate what HTTPS shows
 * @param keepAliveMs how long an idle connection is kept
 */
export function bothSchemes(app: RequestListener, { cert, key }: Certified, keepAliveMs: number) {
  const plain = createHttp(app);
  const secure = createHttps({ cert, key, minVersion: 'TLSv1.2' }, app);
  for (const server of [plain, secure]) server.keepAliveTimeout = keepAliveMs;

  function sort(socket: Socket): void {
    const letGo = () => socket.destroy();
    socket.setTimeout(SILENT_MS, letGo);
    // A phone that goes out of reach ends its connection with an error; there is nobody to tell.
    socket.on('error', letGo);
    socket.once('data', (first) => {
      socket.setTimeout(0);
      socket.off('timeout', letGo);
      socket.pause();
      socket.unshift(first);
      (first[0] === TLS_HANDSHAKE ? secure : plain).emit('connection', socket);
      process.nextTick(() => socket.resume());
    });
  }

  const server: Server = createServer(sort);
  const both = [plain, secure];
  return {
    server,
    /** What HTTPS shows from now on; connections that are open stay. */
    renew: (next: Certified): void => secure.setSecureContext({ cert: next.cert, key: next.key }),
    closeIdle: (): void => both.forEach((one) => one.closeIdleConnections()),
    closeAll: (): void => both.forEach((one) => one.closeAllConnections()),
  };
}
