import type { DeviceAct, ReadingOf } from '@kettle-scale/core/device';
import { roundToStep } from '@kettle-scale/core/quantity';
import type { Random } from '../random';

export interface ScaleOptions {
  resolutionG: number;
  maxG: number;
  /** Slow creep of the zero, grams a minute. */
  driftGPerMin: number;
}

/** The pan swings in with this time constant, seconds. */
const SETTLES_S = 0.25;
/** Shaking of the bench, in steps of the scale. */
const NOISE_STEPS = 0.15;
/** So many readings in a row within one step are called steady. */
const STEADY_READINGS = 6;

interface Stream {
  gPerS: number;
  leftG: number;
}

/** A bench scale: what lies on it is shown late, rounded, and never quite still. Time comes from outside. */
export function simulateScale(random: Random, { resolutionG, maxG, driftGPerMin }: ScaleOptions) {
  let loadG = 0;
  let panG = 0;
  let driftG = 0;
  let tareG = 0;
  let streams: Stream[] = [];
  let shown: number[] = [0];

  const act = (what: DeviceAct): void => {
    // Whatever is done to it, what it showed before says nothing of whether it is still.
    shown = shown.slice(-1);
    if (what.act === 'tare') tareG = panG + driftG;
    if (what.act === 'place') loadG += what.massG;
    if (what.act === 'scoop') loadG = Math.max(0, loadG - what.massG);
    if (what.act === 'pour') streams.push({ gPerS: what.massG / what.seconds, leftG: what.massG });
    if (what.act === 'clear') {
      loadG = 0;
      streams = [];
    }
  };

  const advance = (seconds: number): void => {
    for (const stream of streams) {
      const g = Math.min(stream.leftG, stream.gPerS * seconds);
      stream.leftG -= g;
      loadG += g;
    }
    streams = streams.filter(({ leftG }) => leftG > 1e-9);
    panG += (loadG - panG) * (1 - Math.exp(-seconds / SETTLES_S));
    driftG += (driftGPerMin * seconds) / 60;
    const noiseG = random.normal(0, NOISE_STEPS * resolutionG);
    shown = [...shown, roundToStep(panG + driftG + noiseG - tareG, resolutionG)].slice(-STEADY_READINGS);
  };

  const read = (at: string): ReadingOf<'scale'> => ({
    kind: 'scale',
    at,
    massG: (shown.at(-1) ?? 0) || 0,
    steady:
      streams.length === 0 &&
      shown.length === STEADY_READINGS &&
      Math.max(...shown) - Math.min(...shown) <= resolutionG + 1e-9,
    overload: loadG > maxG,
  });

  return { act, advance, read };
}
