import { EventEmitter } from 'node:events';
import {
  DEVICE_KINDS,
  type Device,
  type DeviceAct,
  type DeviceKind,
  type HeardReading,
  type Reading,
  type ScriptedAct,
  sourceUsable,
} from '@kettle-scale/core/device';
import { InputError } from '@kettle-scale/core/message';
import { CLOCK_SLACK_MS, aheadWords } from '../http/clock';
import type { StandIn } from './standIn';

/** How often a stream carries a simulated reading. */
const PERIOD_MS: Record<DeviceKind, number> = { scale: 100, room: 5000, probe: 500, thermometer: 500 };
const MS_PER_S = 1000;

const ABOUT: Record<DeviceKind, Pick<Device, 'name' | 'resolution' | 'unit'>> = {
  scale: { name: 'Bench scale', resolution: 1, unit: 'g' },
  room: { name: 'Room sensor', resolution: 0.1, unit: '°C' },
  probe: { name: 'Dough probe', resolution: 0.1, unit: '°C' },
  thermometer: { name: 'Surface thermometer', resolution: 1, unit: '°C' },
};

interface DeviceOptions {
  now: () => Date;
  /** Stand-ins that were switched on by name; all other devices are silent until a bridge posts. */
  standIns?: ReadonlyMap<DeviceKind, StandIn>;
  /** Whether the whole kitchen is made up, so that made-up readings may enter its records. */
  demo: boolean;
}

type Send = (type: string, data: unknown) => void;

/**
 * The instruments of the kitchen. One is heard when a bridge posts its readings, or where a stand-in was switched on by
 * name; a reading that was posted always goes before the stand-in.
 */
export function openDevices({ now, standIns = new Map(), demo }: DeviceOptions) {
  const emitter = new EventEmitter();
  emitter.setMaxListeners(0);
  const posted = new Map<DeviceKind, Reading>();

  function heard(kind: DeviceKind): HeardReading | null {
    const real = posted.get(kind);
    const reading = real ?? standIns.get(kind)?.read();
    if (!reading) return null;
    const source = real ? 'device' : 'simulated';
    // Clocks of devices differ a little; a reading of the next seconds is of now.
    const ageS = Math.max(0, (now().getTime() - Date.parse(reading.at)) / MS_PER_S);
    return { reading, source, ageS, usable: sourceUsable(source, demo) };
  }

  function standInOf(kind: DeviceKind): StandIn {
    const standIn = standIns.get(kind);
    if (standIn) return standIn;
    throw InputError.at(
      'act',
      `No ${ABOUT[kind].name.toLowerCase()} is simulated here; only a tare goes to a real one.`,
    );
  }

  function follow(kind: DeviceKind, send: Send): () => void {
    const tell = () => {
      const now = heard(kind);
      if (now) send('reading', now);
    };
    tell();
    const standIn = standIns.get(kind);
    const timer = standIn
      ? setInterval(() => {
          if (!posted.has(kind)) tell();
        }, PERIOD_MS[kind])
      : null;
    timer?.unref();
    emitter.on(kind, send);
    return () => {
      if (timer) clearInterval(timer);
      emitter.off(kind, send);
    };
  }

  return {
    heard,
    list: (): Device[] => DEVICE_KINDS.map((kind) => ({ kind, ...ABOUT[kind], heard: heard(kind) })),

    /**
     * A reading of a real device: from now on it is the device.
     * @throws InputError when it is dated ahead, or before the one that is known
     */
    post: (reading: Reading): void => {
      const aheadMs = Date.parse(reading.at) - now().getTime();
      if (aheadMs > CLOCK_SLACK_MS) throw InputError.at('at', aheadWords('This reading', aheadMs));
      const before = posted.get(reading.kind);
      if (before && Date.parse(reading.at) < Date.parse(before.at)) {
        throw InputError.at('at', 'A newer reading of this device is here already.');
      }
      posted.set(reading.kind, reading);
      emitter.emit(reading.kind, 'reading', heard(reading.kind));
    },

    /**
     * Acts on the stand-in, if one is switched on; a bridge hears of it on the stream and does the same.
     * @throws InputError for anything but a tare where nothing is simulated
     */
    act: (kind: DeviceKind, what: DeviceAct): HeardReading | null => {
      if (what.act !== 'tare' || standIns.has(kind)) standInOf(kind).act(what);
      emitter.emit(kind, 'command', what);
      return heard(kind);
    },

    /** Tells the stand-in what lies on the plate, where there is one. */
    load: (pieces: number): void => standIns.get('thermometer')?.act({ act: 'load', pieces }),

    /** Acts of a stand-in at set times from now on. */
    play: (kind: DeviceKind, script: readonly ScriptedAct[]): void => standInOf(kind).play(script),

    /** Sends readings as they come and commands as they are given, until the returned function is called. */
    follow,
  };
}

export type Devices = ReturnType<typeof openDevices>;
