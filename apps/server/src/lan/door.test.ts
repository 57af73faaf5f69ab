import { type Socket, connect } from 'node:net';
import { type ConnectionOptions, connect as connectTls } from 'node:tls';
import { openOnNetwork } from '../test/network';
import { DOOR_LIMITS } from './doorLimits';

const SHORT = { ...DOOR_LIMITS, silentMs: 300, headersMs: 300, requestMs: 900, lookMs: 50 };
const NETWORK = '127.0.0.2';
const STRANGER = '127.0.0.3';
const HALF_HEADER = 'GET /api/v1/health HTTP/1.1\r\nHost: 127.0.0.2\r\nX-Half: ';
const HALF_BODY =
  'POST /api/v1/pair HTTP/1.1\r\nHost: 127.0.0.2\r\nContent-Type: application/json\r\nKettle-App: x\r\nContent-Length: 900\r\n\r\n{"code"';
/** The first bytes of a handshake that never goes on. */
const HALF_HANDSHAKE = Buffer.from([0x16, 0x03, 0x01, 0x02, 0x00, 0x01]);
const EACH = 25;

const gone = (socket: Socket): Promise<void> =>
  new Promise((resolve) => {
    socket.on('error', () => undefined).on('close', () => resolve());
    socket.resume();
  });
const plainly =
  (says: string | Buffer) =>
  (port: number): Socket => {
    const socket = connect({ port, host: NETWORK, localAddress: STRANGER });
    if (says.length > 0) socket.write(says);
    return socket;
  };
const securely =
  (says: string) =>
  (port: number): Socket => {
    const options: ConnectionOptions = { port, host: NETWORK, rejectUnauthorized: false };
    const socket = connectTls(options, () => socket.write(says));
    return socket;
  };

const HALVES: Record<string, (port: number) => Socket> = {
  'nothing at all': plainly(''),
  'half a header in the clear': plainly(HALF_HEADER),
  'half a body in the clear': plainly(HALF_BODY),
  'half a handshake': plainly(HALF_HANDSHAKE),
  'half a header over TLS': securely(HALF_HEADER),
  'half a body over TLS': securely(HALF_BODY),
};

test('on a network every slow or half request is let go, however it was begun, and who asks properly is answered', async () => {
  const kitchen = await openOnNetwork({}, { limits: SHORT, bodyMs: 300 });
  const sockets = Object.values(HALVES).flatMap((open) =>
    Array.from({ length: EACH }, () => open(kitchen.port)),
  );
  const ends = sockets.map(gone);
  expect((await kitchen.stranger('/api/v1/health')).status).toBe(200);
  await Promise.all(ends);
  expect((await kitchen.stranger('/api/v1/health')).status).toBe(200);
  expect(kitchen.open()).toBeLessThanOrEqual(1);
  await kitchen.close();
});

test('one address takes no more connections than its share, and the server closes with half requests open', async () => {
  const kitchen = await openOnNetwork({}, { limits: { ...DOOR_LIMITS, mostEach: 10 } });
  const sockets = Array.from({ length: 30 }, () => plainly(HALF_HEADER)(kitchen.port));
  const ends = sockets.map(gone);
  await Promise.race(ends);
  expect((await kitchen.own('/api/v1/health')).status).toBe(200);
  expect(kitchen.open()).toBeLessThanOrEqual(11);
  await kitchen.close();
  await Promise.all(ends);
  expect(kitchen.open()).toBe(0);
});

test.each([
  ['ECDHE-ECDSA-AES128-SHA256', 'refused'],
  ['ECDHE-ECDSA-AES256-SHA', 'refused'],
  ['ECDHE-ECDSA-AES128-GCM-SHA256', 'agreed'],
])('over TLS 1.2 a phone that knows %s alone is %s', async (ciphers, outcome) => {
  const kitchen = await openOnNetwork();
  const options: ConnectionOptions = { ciphers, maxVersion: 'TLSv1.2', rejectUnauthorized: false };
  const became = await new Promise<string>((resolve) => {
    const socket = connectTls({ ...options, port: kitchen.port, host: NETWORK }, () => resolve('agreed'));
    socket.on('error', () => resolve('refused')).on('secureConnect', () => socket.destroy());
  });
  expect(became).toBe(outcome);
  await kitchen.close();
});
