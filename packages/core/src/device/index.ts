export {
  type Device,
  DEVICE_KINDS,
  type DeviceAct,
  deviceActSchema,
  type DeviceKind,
  deviceSchema,
  type HeardReading,
  heardReadingSchema,
  type Reading,
  type ReadingOf,
  readingSchema,
  type ReadingSource,
  type ScriptedAct,
  scriptSchema,
} from './deviceSchema';
export { FRESH_FOR_S, mayTake, sourceUsable } from './freshness';
export { scaleLine, sensedHumidity, sensedTemperature, weightMeasurement } from './wire';
