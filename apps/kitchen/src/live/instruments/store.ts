import type { DeviceKind, HeardReading, Reading } from '@kettle-scale/core/device';
import { create } from 'zustand';

/** An instrument that is connected to this very phone. */
export interface Connection {
  name: string;
  disconnect: () => Promise<void>;
}
export type Told = (reading: Reading) => void;

/** A reading as it was heard here. */
export interface OwnReading extends HeardReading {
  heardMs: number;
}

interface Instruments {
  connected: Partial<Record<DeviceKind, Connection>>;
  readings: Partial<Record<DeviceKind, OwnReading>>;
  /** What lay on the scale when it was set to zero here: scales on a cable take no orders that all of them know. */
  tareG: number;
}

/** Instruments of this phone and what they said last. */
export const useInstruments = create<Instruments>()(() => ({ connected: {}, readings: {}, tareG: 0 }));

/** The weight that the scale itself shows. */
let grossG = 0;

function tellReading(reading: Reading): void {
  const { readings, tareG } = useInstruments.getState();
  if (reading.kind === 'scale') grossG = reading.massG;
  const net = reading.kind === 'scale' ? { ...reading, massG: reading.massG - tareG } : reading;
  const heard = { reading: net, source: 'device', ageS: 0, usable: true, heardMs: Date.now() } as const;
  useInstruments.setState({ readings: { ...readings, [reading.kind]: heard } });
}

/** Sets the scale of this phone to zero; false where it has none. */
export function tareOwn(): boolean {
  const { connected, readings } = useInstruments.getState();
  if (!connected.scale) return false;
  useInstruments.setState({ tareG: grossG });
  const last = readings.scale?.reading;
  if (last?.kind === 'scale') tellReading({ ...last, massG: grossG });
  return true;
}

/** What was connected as this is connected no more; its last reading grows old where it shows. */
function forget(kind: DeviceKind): void {
  const { [kind]: _gone, ...connected } = useInstruments.getState().connected;
  useInstruments.setState({ connected, ...(kind === 'scale' ? { tareG: 0 } : {}) });
}

/** Connects an instrument as something, in the place of what was that before. */
export async function connectAs(
  kind: DeviceKind,
  connect: (told: Told, onLost: () => void) => Promise<Connection>,
): Promise<void> {
  await disconnect(kind);
  let lost = false;
  const connection = await connect(tellReading, () => {
    lost = true;
    forget(kind);
  });
  if (lost) throw new Error('it went away at once');
  useInstruments.setState(({ connected }) => ({ connected: { ...connected, [kind]: connection } }));
}

export async function disconnect(kind: DeviceKind): Promise<void> {
  const connection = useInstruments.getState().connected[kind];
  if (!connection) return;
  forget(kind);
  const { [kind]: _old, ...readings } = useInstruments.getState().readings;
  useInstruments.setState({ readings });
  await connection.disconnect();
}
