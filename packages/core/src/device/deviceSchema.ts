import { z } from 'zod';
import { choiceField, countField, fractionField, instantField, numberField } from '../message/fields';

/** The instruments of a kitchen. The bridge of a real one posts readings; a simulated stand-in ships with the product. */
export const DEVICE_KINDS = ['scale', 'room', 'probe', 'thermometer'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

const base = { at: instantField('Time of the reading') };

export const readingSchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      ...base,
      kind: z.literal('scale'),
      /** Net of the tare. */
      massG: numberField('Weight', { min: -200_000, max: 200_000, unit: 'g' }),
      steady: z.boolean('Say whether the weight is steady.'),
      overload: z.boolean('Say whether the scale is overloaded.'),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('room'),
      tempC: numberField('Air temperature', { min: -40, max: 80, unit: '°C' }),
      humidity: fractionField('Air humidity', 0, 1),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('probe'),
      tempC: numberField('Probe temperature', { min: -40, max: 300, unit: '°C' }),
      steady: z.boolean('Say whether the temperature is steady.'),
    }),
    /** The surface of the plate. */
    z.strictObject({
      ...base,
      kind: z.literal('thermometer'),
      tempC: numberField('Plate temperature', { min: -40, max: 500, unit: '°C' }),
      steady: z.boolean('Say whether the temperature is steady.'),
    }),
  ],
  { error: 'A reading must come from a “scale”, a “room”, a “probe” or a “thermometer”.' },
);

export type Reading = z.infer<typeof readingSchema>;
export type ReadingOf<K extends DeviceKind> = Extract<Reading, { kind: K }>;

const massG = (label: string) => numberField(label, { min: 0.01, max: 100_000, unit: 'g' });

/** What can be done to a device: a tare goes to a real scale too; the rest plays with a simulated one. */
export const deviceActSchema = z.discriminatedUnion(
  'act',
  [
    z.strictObject({ act: z.literal('tare') }),
    /** A stream onto the scale. */
    z.strictObject({
      act: z.literal('pour'),
      massG: massG('Pour'),
      seconds: numberField('Time of the pour', { min: 0.1, max: 600, unit: 's' }),
    }),
    /** Put on at once: a bowl, a ball. */
    z.strictObject({ act: z.literal('place'), massG: massG('Weight') }),
    z.strictObject({ act: z.literal('scoop'), massG: massG('Scoop') }),
    /** Everything off the plate. */
    z.strictObject({ act: z.literal('clear') }),
    z.strictObject({
      act: z.literal('air'),
      tempC: numberField('Air temperature', { min: -20, max: 60, unit: '°C' }),
      humidity: fractionField('Air humidity', 0.02, 0.98),
    }),
    /** The probe goes into something. */
    z.strictObject({
      act: z.literal('dip'),
      tempC: numberField('Temperature', { min: -20, max: 250, unit: '°C' }),
    }),
    /** The knob of the simulated plate; `atOnce` skips its warming up. */
    z.strictObject({
      act: z.literal('heat'),
      tempC: numberField('Set point', { min: 20, max: 350, unit: '°C' }),
      atOnce: z.boolean().optional(),
    }),
    /** So many pieces lie on the simulated plate. */
    z.strictObject({
      act: z.literal('load'),
      pieces: countField('Pieces on the plate', { min: 0, max: 200 }),
    }),
  ],
  { error: 'This act is not known.' },
);

export type DeviceAct = z.infer<typeof deviceActSchema>;

/** Where a reading comes from: somebody typed it, a device measured it, or a stand-in made it up. */
export const READING_SOURCES = ['typed', 'device', 'simulated'] as const;
export type ReadingSource = (typeof READING_SOURCES)[number];

/** Source of a reading inside a stored record; not said in records of older programs. */
export const sourceField = choiceField('Source of the reading', READING_SOURCES).optional();

const heardFields = {
  source: choiceField('Source of the reading', ['device', 'simulated']),
  /** Age of the reading when it was sent, by the server's clock, s. */
  ageS: z.number().min(0),
  /** Whether the kitchen's records may take it while it is fresh. */
  usable: z.boolean(),
};

/** A reading as the kitchen hears it. */
export const heardReadingSchema = z.strictObject({ reading: readingSchema, ...heardFields });
export type HeardReading = z.infer<typeof heardReadingSchema>;

/** A device as the kitchen knows it. */
export const deviceSchema = z.strictObject({
  kind: choiceField('Device', DEVICE_KINDS),
  name: z.string(),
  /** Smallest difference it shows, in its own unit. */
  resolution: z.number(),
  unit: z.string(),
  /** Null where no device has sent a reading and no stand-in is switched on. */
  heard: heardReadingSchema.nullable(),
});

export type Device = z.infer<typeof deviceSchema>;

/** Acts of a simulated device at set times, so that a test or a demonstration can be repeated. */
export const scriptSchema = z
  .array(
    z.strictObject({
      afterS: numberField('Time of the act', { min: 0, max: 86_400, unit: 's' }),
      what: deviceActSchema,
    }),
  )
  .max(1000, 'A script has at most a thousand acts.');

export type ScriptedAct = z.infer<typeof scriptSchema>[number];
