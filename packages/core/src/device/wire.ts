/** Where a figure stands in a characteristic, bytes. */
const AFTER_FLAGS = 1;
const IMPERIAL = 0b1;
/** Resolution of the published figures. */
const KG_PER_STEP = 0.005;
const LB_PER_STEP = 0.01;
const C_PER_STEP = 0.01;
const PERCENT_PER_STEP = 0.01;
const G_PER_KG = 1000;
const G_PER_LB = 453.592_37;
const G_PER_OZ = G_PER_LB / 16;
const PERCENT = 100;
/** Numbers that stand for "not known". */
const UNKNOWN = { weight: 0xffff, temperature: -0x8000, humidity: 0xffff } as const;

/**
 * A weight as a scale tells it by Bluetooth.
 * Source: Bluetooth SIG, Weight Scale Service 1.0, characteristic Weight Measurement (0x2A9D).
 * @param value flags, then the weight as an unsigned 16-bit number, little-endian
 * @returns g; null where the scale says that it measured nothing, or the value is cut off
 */
export function weightMeasurement(value: DataView): number | null {
  if (value.byteLength < AFTER_FLAGS + 2) return null;
  const steps = value.getUint16(AFTER_FLAGS, true);
  if (steps === UNKNOWN.weight) return null;
  const isImperial = (value.getUint8(0) & IMPERIAL) !== 0;
  return isImperial ? steps * LB_PER_STEP * G_PER_LB : steps * KG_PER_STEP * G_PER_KG;
}

/**
 * A temperature as a thermometer tells it by Bluetooth.
 * Source: Bluetooth SIG, Environmental Sensing Service 1.0, characteristic Temperature (0x2A6E).
 * @param value a signed 16-bit number, little-endian
 * @returns °C; null where it is not known
 */
export function sensedTemperature(value: DataView): number | null {
  if (value.byteLength < 2) return null;
  const steps = value.getInt16(0, true);
  return steps === UNKNOWN.temperature ? null : Number((steps * C_PER_STEP).toFixed(2));
}

/**
 * The air's humidity as a sensor tells it by Bluetooth.
 * Source: Bluetooth SIG, Environmental Sensing Service 1.0, characteristic Humidity (0x2A6F).
 * @param value an unsigned 16-bit number, little-endian
 * @returns a share; null where it is not known
 */
export function sensedHumidity(value: DataView): number | null {
  if (value.byteLength < 2) return null;
  const steps = value.getUint16(0, true);
  return steps === UNKNOWN.humidity ? null : Number(((steps * PERCENT_PER_STEP) / PERCENT).toFixed(4));
}

const G_PER: Record<string, number> = { g: 1, kg: G_PER_KG, lb: G_PER_LB, oz: G_PER_OZ };
/** A line of words, figure and unit: "ST +  1.250 kg", "US,GS,  12.5 g". */
const LINE = /^([A-Za-z,\s]*?)([+-]?)\s*(\d+(?:[.,]\d+)?)\s*(kg|g|lb|oz)\b/i;
const STEADY = /\bST?\b/i;
const MOVING = /\b(?:US|SD|D)\b/i;
const OVERLOAD = /\b(?:OL|overload)\b/i;

/** What a line of a scale on a cable says. */
export interface ScaleLine {
  massG: number;
  /** Null where the scale does not say. */
  steady: boolean | null;
  overload: boolean;
}

/**
 * A weight as a scale on a cable writes it: one line each, a figure with its unit, and before it, with many, whether it stands still.
 * @param line without its end
 * @returns null for a line that is no weight
 */
export function scaleLine(line: string): ScaleLine | null {
  if (OVERLOAD.test(line)) return { massG: 0, steady: false, overload: true };
  const [, words = '', sign, figure = '', unit = ''] = LINE.exec(line.trim()) ?? [];
  const perUnit = G_PER[unit.toLowerCase()];
  if (perUnit === undefined) return null;
  const massG = Number(figure.replace(',', '.')) * perUnit * (sign === '-' ? -1 : 1);
  const steady = MOVING.test(words) ? false : STEADY.test(words) ? true : null;
  return { massG: Number(massG.toFixed(3)), steady, overload: false };
}
