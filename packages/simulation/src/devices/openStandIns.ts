import type { DeviceKind } from '@kettle-scale/core/device';
import { type Simulation, openSimulation } from './simulation';

/** Stand-ins for the devices that were named; the same seed tells the same story. */
export const openStandIns = (
  kinds: readonly DeviceKind[],
  now: () => Date,
  seed = 1,
): ReadonlyMap<DeviceKind, Simulation> =>
  new Map(kinds.map((kind) => [kind, openSimulation(kind, seed, now)]));
