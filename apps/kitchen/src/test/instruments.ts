import { TextDecoder } from 'node:util';
import type { Characteristic, Port, WirelessDevice } from '../live/instruments/ports';

// Browsers have it, and the sandbox of the tests has not.
Object.assign(globalThis, { TextDecoder });

/** A cable whose other end a test holds. */
export function fakeCable() {
  const waiting: ((result: { value?: Uint8Array; done: boolean }) => void)[] = [];
  const pieces: { value?: Uint8Array; done: boolean }[] = [];
  const give = (piece: { value?: Uint8Array; done: boolean }) => {
    const next = waiting.shift();
    if (next) next(piece);
    else pieces.push(piece);
  };
  const reader = {
    read: () =>
      new Promise((resolve) => {
        const piece = pieces.shift();
        if (piece) resolve(piece);
        else waiting.push(resolve);
      }),
    cancel: () => Promise.resolve(give({ done: true })),
    releaseLock: () => undefined,
  };
  const port = {
    open: jest.fn().mockResolvedValue(undefined),
    close: jest.fn().mockResolvedValue(undefined),
    readable: { getReader: () => reader },
  };
  return {
    port: port as unknown as Port & typeof port,
    writes: (text: string) => give({ value: Uint8Array.from(Buffer.from(text)), done: false }),
    pull: () => give({ done: true }),
  };
}

/** An instrument by Bluetooth with some characteristics; `tells` is false for one that must be asked. */
export function fakeWireless(name: string, first: Record<string, readonly number[]>, tells = true) {
  const view = (bytes: readonly number[]) => new DataView(Uint8Array.from(bytes).buffer);
  const all = Object.entries(first).map(([what, bytes]) => {
    const characteristic = Object.assign(new EventTarget(), {
      value: view(bytes),
      startNotifications: () =>
        tells ? Promise.resolve() : Promise.reject(new DOMException('no', 'NotSupportedError')),
      readValue: () => Promise.resolve(characteristic.value),
    });
    return [what, characteristic] as const;
  });
  const byName = new Map(all);
  const getCharacteristic = (what: string): Promise<Characteristic> => {
    const found = byName.get(what);
    return found ? Promise.resolve(found) : Promise.reject(new Error(`it has no ${what}`));
  };
  const gatt = {
    connect: () => Promise.resolve({ getPrimaryService: () => Promise.resolve({ getCharacteristic }) }),
    disconnect: jest.fn(),
  };
  const device: WirelessDevice = Object.assign(new EventTarget(), { name, gatt });
  return {
    device,
    gatt,
    says: (what: string, bytes: readonly number[]) => {
      const characteristic = byName.get(what);
      if (!characteristic) throw new Error(`no ${what}`);
      characteristic.value = view(bytes);
      characteristic.dispatchEvent(new Event('characteristicvaluechanged'));
    },
    goes: () => device.dispatchEvent(new Event('gattserverdisconnected')),
  };
}
