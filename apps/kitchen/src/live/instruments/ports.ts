/** What browsers offer of Web Serial and Web Bluetooth, as far as it is used; the types of the platform have neither. */
export interface Port {
  open: (options: { baudRate: number }) => Promise<void>;
  close: () => Promise<void>;
  readable: ReadableStream<Uint8Array> | null;
}

export interface Characteristic extends EventTarget {
  value?: DataView | undefined;
  startNotifications: () => Promise<unknown>;
  readValue: () => Promise<DataView>;
}

export interface Gatt {
  connect: () => Promise<{
    getPrimaryService: (name: string) => Promise<{
      getCharacteristic: (name: string) => Promise<Characteristic>;
    }>;
  }>;
  disconnect: () => void;
}

export interface WirelessDevice extends EventTarget {
  name?: string | undefined;
  gatt?: Gatt | undefined;
}

interface Instruments {
  serial?: { requestPort: () => Promise<Port> };
  bluetooth?: {
    requestDevice: (options: { filters: { services: string[] }[] }) => Promise<WirelessDevice>;
  };
}

/** What this browser can connect; nothing outside of secure pages. */
export const browserPorts = (): Instruments =>
  typeof navigator === 'undefined' ? {} : (navigator as unknown as Instruments);

/** Somebody closed the browser's list without choosing: nothing to tell. */
export const wasNotChosen = (error: unknown): boolean =>
  error instanceof DOMException && (error.name === 'NotFoundError' || error.name === 'AbortError');
