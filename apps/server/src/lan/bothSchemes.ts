import { type RequestListener, createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { type Server, type Socket, createServer } from 'node:net';
import type { Certified } from './certificates';
import { type DoorLimits, countConnections, httpLimits } from './doorLimits';

/** The first byte of a TLS connection; no word of HTTP begins with it. */
const TLS_HANDSHAKE = 0x16;
/** What TLS 1.2 and 1.3 may agree on: forward secret and authenticated, none of the old block modes. */
const CIPHERS = [
  'TLS_AES_256_GCM_SHA384',
  'TLS_CHACHA20_POLY1305_SHA256',
  'TLS_AES_128_GCM_SHA256',
  'ECDHE-ECDSA-AES256-GCM-SHA384',
  'ECDHE-RSA-AES256-GCM-SHA384',
  'ECDHE-ECDSA-CHACHA20-POLY1305',
  'ECDHE-RSA-CHACHA20-POLY1305',
  'ECDHE-ECDSA-AES128-GCM-SHA256',
  'ECDHE-RSA-AES128-GCM-SHA256',
].join(':');

/**
 * One port for both: HTTPS, and plain HTTP for the server's own screen and for who typed the address without the s.
 * @param app what answers
 * @param certificate what HTTPS shows
 */
export function bothSchemes(app: RequestListener, { cert, key }: Certified, limits: DoorLimits) {
  const http = httpLimits(limits);
  const plain = createHttp(http, app);
  const secure = createHttps(
    { ...http, cert, key, minVersion: 'TLSv1.2', ciphers: CIPHERS, handshakeTimeout: limits.silentMs },
    app,
  );
  const both = [plain, secure];

  function sort(socket: Socket): void {
    const letGo = () => socket.destroy();
    socket.setTimeout(limits.silentMs, letGo);
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

  const server: Server = createServer();
  const connections = countConnections(server, limits);
  server.on('connection', (socket: Socket) => {
    if (!socket.destroyed) sort(socket);
  });
  // The two never listen themselves, and Node looks after slow requests of servers that do.
  server.on('listening', () => both.forEach((one) => one.emit('listening')));
  server.on('close', () => both.forEach((one) => one.close()));
  return {
    server,
    /** What HTTPS shows from now on; connections that are open stay. */
    renew: (next: Certified): void =>
      secure.setSecureContext({ cert: next.cert, key: next.key, ciphers: CIPHERS, minVersion: 'TLSv1.2' }),
    closeIdle: (): void => both.forEach((one) => one.closeIdleConnections()),
    ...connections,
  };
}
