import { z } from 'zod';
import { sourceField } from '../device/deviceSchema';
import { choiceField, countField, instantField, numberField, slugField, nameField } from '../message/fields';
import { FITTED, type Fitted } from './fittedNames';

export const MATERIALS = ['cast iron', 'steel', 'aluminium', 'stone'] as const;
export type Material = (typeof MATERIALS)[number];
const PLATE_SHAPES = ['rectangle', 'round'] as const;
const HEAT_SOURCES = ['thermostat', 'burner'] as const;
/** How a burner burns, where a cook turns it by eye. */
export const FLAMES = ['medium-low', 'medium', 'medium-high', 'high'] as const;
export type FlameSetting = (typeof FLAMES)[number];

const FITTED_NAMES = Object.keys(FITTED) as [Fitted, ...Fitted[]];
const plateTemp = (label: string) => numberField(label, { min: 0, max: 400, unit: '°C' });

/** What a calibration taught about a product on this plate. */
const calibrationSchema = z.strictObject({
  formulaId: z.string(),
  at: instantField('Time of the calibration'),
  pieces: countField('Pieces', { min: 1, max: 20_000 }),
  /** The set of the model's constants that its factors multiply; the first where it does not say. */
  constants: countField('Constants', { min: 1, max: 100 }).optional(),
  parameters: z
    .array(
      z.strictObject({
        what: choiceField('Parameter', FITTED_NAMES),
        factor: numberField('Factor', { min: 0.1, max: 10 }),
        low: numberField('Low end', { min: 0.01, max: 100 }),
        high: numberField('High end', { min: 0.01, max: 100 }),
      }),
    )
    .max(FITTED_NAMES.length),
});

/** A griddle of the kitchen. */
export const griddleSchema = z
  .strictObject({
    id: slugField('Griddle'),
    name: nameField('Griddle name', { min: 1, max: 40 }),
    material: choiceField('Material', MATERIALS),
    thicknessMm: numberField('Plate thickness', { min: 1, max: 80, unit: 'mm' }),
    shape: choiceField('Shape', PLATE_SHAPES),
    /** Of a round plate its diameter, twice. */
    widthMm: numberField('Width', { min: 80, max: 3000, unit: 'mm' }),
    depthMm: numberField('Depth', { min: 80, max: 3000, unit: 'mm' }),
    domed: z.boolean().optional(),
    /** A coated pan is never heated empty or over a bare flame. */
    nonStick: z.boolean().optional(),
    /** Holds its set point by itself, or burns as the knob stands. */
    heat: choiceField('Heat', HEAT_SOURCES),
    /** A burner that stands so the whole service: the pan goes where heat in and bread out take it. */
    flame: choiceField('Flame', FLAMES).optional(),
    powerW: numberField('Power', { min: 100, max: 60_000, unit: 'W' }),
    /** Marks of the knob with the plate temperature they settle at. */
    marks: z
      .array(
        z.strictObject({
          mark: numberField('Mark', { min: 0, max: 400 }),
          tempC: plateTemp('Plate at the mark'),
          source: sourceField,
        }),
      )
      .max(12, 'At most twelve marks.'),
    /** A grid of readings over the plate, row by row from the back left; even spacing. */
    readings: z
      .strictObject({
        columns: countField('Columns', { min: 2, max: 8 }),
        rows: countField('Rows', { min: 2, max: 8 }),
        tempsC: z.array(plateTemp('Reading')).max(64),
        /** Simulated as soon as one of them was. */
        source: sourceField,
      })
      .refine(({ columns, rows, tempsC }) => tempsC.length === columns * rows, {
        message: 'A grid of readings needs one for every place.',
        path: ['tempsC'],
      })
      .optional(),
    calibrations: z.array(calibrationSchema).max(50).optional(),
  })
  .refine(({ shape, widthMm, depthMm }) => shape !== 'round' || widthMm === depthMm, {
    message: 'A round plate is as deep as it is wide.',
    path: ['depthMm'],
  })
  .refine(({ marks }) => new Set(marks.map(({ mark }) => mark)).size === marks.length, {
    message: 'Two marks of the knob are the same.',
    path: ['marks'],
  });

export type Griddle = z.infer<typeof griddleSchema>;
