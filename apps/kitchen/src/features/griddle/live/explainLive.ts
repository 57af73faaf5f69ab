import { figure } from '../../../reader/figures';
import { say } from '../../../reader/say';
import type { Explanation } from '@kettle-scale/core/message';
import { type UnitSystem } from '@kettle-scale/core/quantity';

interface LiveSide {
  /** From 0. */
  side: number;
  /** What is shown, s. */
  shownS: number;
  /** Of the model at this plate, s. */
  modelS: number;
  factor: number;
  place: number;
  plateC: number;
  /** Nobody reads the plate: it is taken as it is wanted. */
  assumed: boolean;
  units: UnitSystem;
}

/** Why a side of the next piece lies so long. */
export const explainLive = (of: LiveSide): Explanation => ({
  title: say('Side {side, number} of the next piece', { side: of.side + 1 }),
  value: `${Math.round(of.shownS)} s`,
  equation: 'Seconds of the model at this plate × what you said of the last ones',
  inputs: [
    {
      label: say('Plate at place {place, number}', { place: of.place }),
      value: say(of.assumed ? '{plate} (wanted, not read)' : '{plate}', { plate: { tempC: of.plateC } }),
    },
    { label: 'Model', value: `${figure(of.modelS, 1)} s` },
    { label: 'Your taps', value: `× ${figure(of.factor, 2)}` },
  ],
  changes: [
    'A hotter plate shortens it, a colder one lengthens it; each tap on Pale or Dark moves it by 3 to 12 %.',
    'A side that was turned late shortens the next one, as far as it would dry out or char otherwise.',
  ],
});
