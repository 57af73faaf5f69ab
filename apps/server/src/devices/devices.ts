import { EventEmitter } from 'node:events';
import {
  DEVICE_KINDS,
  type Device,
  type DeviceAct,
  type DeviceKind,
  type Reading,
  type ScriptedAct,
} from '@kettle-scale/core';
import { openRandom } from '../random';
import { simulateProbe } from './simulateProbe';
import { simulateRoom } from './simulateRoom';
import { simulateScale } from './simulateScale';
import { simulateThermometer } from './simulateThermometer';

/** How often a stream carries a reading. */
const PERIOD_MS: Record<DeviceKind, number> = { scale: 100, room: 5000, probe: 500, thermometer: 500 };
/** A simulation nobody looked at for longer than this has long settled. */
const LONGEST_ADVANCE_MS = 10_000;
const STEP_MS = 100;

const ABOUT: Record<DeviceKind, Pick<Device, 'name' | 'resolution' | 'unit'>> = {
  scale: { name: 'Bench scale', resolution: 1, unit: 'g' },
  room: { name: 'Room sensor', resolution: 0.1, unit: '°C' },
  probe: { name: 'Dough probe', resolution: 0.1, unit: '°C' },
  thermometer: { name: 'Surface thermometer', resolution: 1, unit: '°C' },
};

interface Simulation {
  act: (what: DeviceAct) => void;
  advance: (seconds: number) => void;
  read: (at: string) => Reading;
}

const SIMULATIONS: Record<DeviceKind, (seed: number) => Simulation> = {
  scale: (seed) =>
    simulateScale(openRandom(seed), {
      resolutionG: ABOUT.scale.resolution,
      maxG: 30_000,
      driftGPerMin: 0.05,
    }),
  room: (seed) => simulateRoom(openRandom(seed + 1)),
  probe: (seed) => simulateProbe(openRandom(seed + 2)),
  thermometer: (seed) => simulateThermometer(openRandom(seed + 3)),
};

interface Due {
  atMs: number;
  what: DeviceAct;
}

interface DeviceOptions {
  now: () => Date;
  seed?: number;
}

/**
 * The instruments. Each is simulated until a bridge posts readings of a real one. Time moves a simulation only when
 * someone looks, so an idle kitchen costs nothing.
 */
export function openDevices({ now, seed = 1 }: DeviceOptions) {
  const emitter = new EventEmitter();
  emitter.setMaxListeners(0);
  const states = new Map(
    DEVICE_KINDS.map((kind) => [
      kind,
      {
        simulation: SIMULATIONS[kind](seed),
        lastMs: now().getTime(),
        script: [] as Due[],
        posted: null as Reading | null,
      },
    ]),
  );
  const stateOf = (kind: DeviceKind) => {
    const state = states.get(kind);
    if (!state) throw new RangeError(`no device ${kind}`);
    return state;
  };

  /** Brings a simulation up to now, its script included. */
  function catchUp(kind: DeviceKind): number {
    const state = stateOf(kind);
    const nowMs = now().getTime();
    let atMs = Math.max(state.lastMs, nowMs - LONGEST_ADVANCE_MS);
    while (atMs + STEP_MS <= nowMs) {
      atMs += STEP_MS;
      for (const due of state.script.filter((one) => one.atMs <= atMs)) state.simulation.act(due.what);
      state.script = state.script.filter((one) => one.atMs > atMs);
      state.simulation.advance(STEP_MS / 1000);
    }
    state.lastMs = Math.max(state.lastMs, atMs);
    return nowMs;
  }

  function read(kind: DeviceKind): Reading {
    const state = stateOf(kind);
    if (state.posted) return state.posted;
    const nowMs = catchUp(kind);
    return state.simulation.read(new Date(nowMs).toISOString());
  }

  return {
    read,
    list: (): Device[] =>
      DEVICE_KINDS.map((kind) => ({
        kind,
        ...ABOUT[kind],
        simulated: stateOf(kind).posted === null,
        reading: read(kind),
      })),

    /** A reading of a real device: from now on it is the device. */
    post: (reading: Reading): void => {
      stateOf(reading.kind).posted = reading;
      emitter.emit(reading.kind, 'reading', reading);
    },

    /** Acts on the simulation; a bridge hears of it on the stream and does the same. */
    act: (kind: DeviceKind, what: DeviceAct): Reading => {
      catchUp(kind);
      stateOf(kind).simulation.act(what);
      emitter.emit(kind, 'command', what);
      return read(kind);
    },

    /** Acts at set times from now on. */
    play: (kind: DeviceKind, script: readonly ScriptedAct[]): void => {
      const startMs = catchUp(kind);
      const state = stateOf(kind);
      state.script = script.map(({ afterS, what }) => ({ atMs: startMs + afterS * 1000, what }));
    },

    /** Sends readings as they come and commands as they are given, until the returned function is called. */
    follow: (kind: DeviceKind, send: (type: string, data: unknown) => void): (() => void) => {
      send('reading', read(kind));
      const timer = setInterval(() => {
        if (!stateOf(kind).posted) send('reading', read(kind));
      }, PERIOD_MS[kind]);
      timer.unref();
      emitter.on(kind, send);
      return () => {
        clearInterval(timer);
        emitter.off(kind, send);
      };
    },
  };
}

export type Devices = ReturnType<typeof openDevices>;
