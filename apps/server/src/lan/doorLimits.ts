import type { ServerOptions } from 'node:http';
import type { Server, Socket } from 'node:net';
import { LOOPBACK_ADDRESSES } from '../http/ownNames';

const MINUTE_MS = 60_000;

/** How long a connection may take over what it began, and how many there may be. */
export interface DoorLimits {
  /** Who connects and says nothing is let go; so is a handshake that does not go on. */
  silentMs: number;
  /** From the first byte of a request to the end of its headers. */
  headersMs: number;
  /** To the end of its body: a whole kitchen may be on its way, which has limits of its own (see `bodyInTime` for all else). */
  requestMs: number;
  /** Longer than anyone waits between two requests: a connection closed just as the next comes would look like a broken server. */
  keepAliveMs: number;
  /** How often connections are looked at. */
  lookMs: number;
  /** Connections in all, and from one address of a network. */
  most: number;
  mostEach: number;
}

export const DOOR_LIMITS: DoorLimits = {
  silentMs: 10_000,
  headersMs: 15_000,
  requestMs: 21 * MINUTE_MS,
  keepAliveMs: 65_000,
  lookMs: 5000,
  most: 4096,
  mostEach: 256,
};

/** The limits as Node's HTTP servers take them. */
export const httpLimits = ({ headersMs, requestMs, keepAliveMs, lookMs }: DoorLimits): ServerOptions => ({
  headersTimeout: headersMs,
  requestTimeout: requestMs,
  keepAliveTimeout: keepAliveMs,
  connectionsCheckingInterval: lookMs,
});

/**
 * Counts the connections of a server as they come: one too many, in all or from its address, is closed at once. This machine
 * may have them all, since a proxy on it passes a whole kitchen on.
 * @returns how many are open, and the way to end them all
 */
export function countConnections(server: Server, { most, mostEach }: DoorLimits) {
  const open = new Set<Socket>();
  const each = new Map<string, number>();
  server.on('connection', (socket: Socket) => {
    const from = socket.remoteAddress ?? '';
    const already = each.get(from) ?? 0;
    if (open.size >= most || (already >= mostEach && !LOOPBACK_ADDRESSES.has(from))) {
      socket.destroy();
      return;
    }
    open.add(socket);
    each.set(from, already + 1);
    socket.once('close', () => {
      open.delete(socket);
      const left = (each.get(from) ?? 1) - 1;
      if (left > 0) each.set(from, left);
      else each.delete(from);
    });
  });
  return {
    open: (): number => open.size,
    closeAll: (): void => open.forEach((socket) => socket.destroy()),
  };
}
