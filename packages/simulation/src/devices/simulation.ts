import type { DeviceAct, DeviceKind, Reading, ScriptedAct } from '@kettle-scale/core/device';
import { openRandom } from '../random';
import { simulateProbe } from './simulateProbe';
import { simulateRoom } from './simulateRoom';
import { simulateScale } from './simulateScale';
import { simulateThermometer } from './simulateThermometer';

/** A simulation nobody looked at for longer than this has long settled. */
const LONGEST_ADVANCE_MS = 10_000;
const STEP_MS = 100;
const MS_PER_S = 1000;
const SCALE = { resolutionG: 1, maxG: 30_000, driftGPerMin: 0.05 } as const;

interface Model {
  act: (what: DeviceAct) => void;
  advance: (seconds: number) => void;
  read: (at: string) => Reading;
}

const MODELS: Record<DeviceKind, (seed: number) => Model> = {
  scale: (seed) => simulateScale(openRandom(seed), SCALE),
  room: (seed) => simulateRoom(openRandom(seed + 1)),
  probe: (seed) => simulateProbe(openRandom(seed + 2)),
  thermometer: (seed) => simulateThermometer(openRandom(seed + 3)),
};

interface Due {
  atMs: number;
  what: DeviceAct;
}

/** A stand-in for one device. Time moves it only when someone looks, so an idle kitchen costs nothing. */
export function openSimulation(kind: DeviceKind, seed: number, now: () => Date) {
  const model = MODELS[kind](seed);
  let lastMs = now().getTime();
  let script: Due[] = [];

  /** Brings it up to now, its script included. */
  function catchUp(): number {
    const nowMs = now().getTime();
    let atMs = Math.max(lastMs, nowMs - LONGEST_ADVANCE_MS);
    while (atMs + STEP_MS <= nowMs) {
      atMs += STEP_MS;
      for (const due of script.filter((one) => one.atMs <= atMs)) model.act(due.what);
      script = script.filter((one) => one.atMs > atMs);
      model.advance(STEP_MS / MS_PER_S);
    }
    lastMs = Math.max(lastMs, atMs);
    return nowMs;
  }

  return {
    read: (): Reading => model.read(new Date(catchUp()).toISOString()),
    act: (what: DeviceAct): void => {
      catchUp();
      model.act(what);
    },
    play: (acts: readonly ScriptedAct[]): void => {
      const startMs = catchUp();
      script = acts.map(({ afterS, what }) => ({ atMs: startMs + afterS * MS_PER_S, what }));
    },
  };
}

export type Simulation = ReturnType<typeof openSimulation>;
