import { say } from '../reader/say';
import type { DeviceKind } from '@kettle-scale/core/device';
import type { Heard } from '../live/useReading';

/** Younger than this it is simply live, s. */
const LIVE_S = 2;

type HeardOf = Pick<Heard<DeviceKind>, 'source' | 'ageS' | 'fresh' | 'takeable'>;

/** Where a reading comes from and how old it is: said wherever a reading shows. */
export function sourceWords({ source, ageS, fresh, takeable }: HeardOf): string {
  if (!fresh) return say('{age} old, not used', { age: { s: ageS } });
  if (source === 'simulated') return takeable ? 'simulated' : 'simulated, not recorded here';
  return ageS < LIVE_S ? 'live' : say('{age, number} s ago', { age: Math.round(ageS) });
}
