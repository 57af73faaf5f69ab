import type { DeviceKind, HeardReading, ReadingSource } from './deviceSchema';

/** A reading older than this says nothing about now, s. */
export const FRESH_FOR_S: Record<DeviceKind, number> = { scale: 5, room: 900, probe: 30, thermometer: 60 };

/** Whether a reading still says something about now. */
const isFresh = (kind: DeviceKind, ageS: number): boolean => ageS <= FRESH_FOR_S[kind];

/**
 * Whether a reading may go into a record: fresh, and not made up unless the whole kitchen is.
 * @param ageS age now, s
 */
export const mayTake = ({ usable, reading }: HeardReading, ageS: number): boolean =>
  usable && isFresh(reading.kind, ageS);

/**
 * Whether the records of a kitchen take readings of a source: made-up ones only where everything is made up.
 * @param source where a reading came from
 * @param demo whether the kitchen is made up
 */
export const sourceUsable = (source: ReadingSource, demo: boolean): boolean => demo || source !== 'simulated';
