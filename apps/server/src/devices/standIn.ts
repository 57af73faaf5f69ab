import type { DeviceAct, Reading, ScriptedAct } from '@kettle-scale/core/device';

/** What may stand in for a device that is not there: it reads, is acted on, and can play a script. */
export interface StandIn {
  read: () => Reading;
  act: (what: DeviceAct) => void;
  play: (acts: readonly ScriptedAct[]) => void;
}
