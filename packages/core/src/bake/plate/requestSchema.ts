import { z } from 'zod';
import { choiceField, fractionField, numberField } from '../../message/fields';
import { type Formula, formulaSchema } from '../../formula/formulaSchema';
import { bakeSchema } from '../../formula/methodSchema';
import { CATALOGUE } from '../../ingredient/catalogue';
import { gridFor } from '../model/bake';
import type { BakeRequest } from '../solve/bakeRequest';
import { doughProperties, partsOfPlainDough } from '../model/composition';
import { plateOf } from '../model/griddlePlate';
import { griddleSchema } from '../../kitchen/griddleSchema';
import { DEFAULT_AIR, DEFAULT_MODEL, REFERENCE_MODEL, type ModelConstants } from '../model/model';
import { STEEL_GRIDDLE } from '../model/plate';
import { questionOfFormula } from './question';
import { type BySide, COMMON_STANDARD } from '../solve/standard';

const temp = (label: string, min: number, max: number) => numberField(label, { min, max, unit: '°C' });
const positive = (label: string, max: number, unit?: string) =>
  numberField(label, { min: 0.000_000_001, max, ...(unit ? { unit } : {}) });

const CONSTANTS = ['in use', 'reference'] as const;
const SETS = { 'in use': DEFAULT_MODEL, reference: REFERENCE_MODEL } as const;

/** One figure for both sides, or one for each. */
const bySide = (label: string) => {
  const cover = numberField(label, { min: 0, max: 44, unit: '%' });
  return z.union([cover, z.tuple([cover, cover])]);
};
const bothSides = (cover: number | BySide): BySide => (typeof cover === 'number' ? [cover, cover] : cover);

const modelSchema = z.strictObject(
  Object.fromEntries(
    Object.keys(DEFAULT_MODEL).map((name) => [name, positive(name, 10_000).optional()]),
  ) as Record<keyof ModelConstants, z.ZodOptional<z.ZodNumber>>,
);

/**
 * A question to the griddle model, as a document. Everything has a default: a plain dough of 100 flour, 52 water, 10 fat
 * and 1.8 salt, 2 mm, on a thermostatic plate of 10 mm steel at 230 °C, 25 s a side. A formula brings its own dough, air,
 * thickness, program and standard.
 */
export const bakeRequestSchema = z.strictObject({
  formula: formulaSchema.optional(),
  /** Of flour, in baker's percent. */
  dough: z
    .strictObject({
      water: numberField('Water', { min: 10, max: 150, unit: '%' }),
      fat: numberField('Fat', { min: 0, max: 60, unit: '%' }),
      salt: numberField('Salt', { min: 0, max: 10, unit: '%' }),
    })
    .optional(),
  disc: z
    .strictObject({
      thicknessMm: numberField('Thickness', { min: 0.4, max: 12, unit: 'mm' }).optional(),
      doughC: temp('Dough temperature', -5, 60).optional(),
      air: fractionField('Air in the dough', 0, 0.5).optional(),
    })
    .optional(),
  plate: z
    .strictObject({
      tempC: temp('Plate temperature', 60, 380).optional(),
      /** What it really has when the piece goes on, under it and around. */
      startC: temp('Plate at the start', 20, 400).optional(),
      restC: temp('Rest of the plate', 20, 400).optional(),
      held: z.boolean().optional(),
      densityKgM3: positive('Density', 12_000, 'kg/m³').optional(),
      heatJKgK: positive('Specific heat', 3000, 'J/kgK').optional(),
      thicknessMm: positive('Plate thickness', 100, 'mm').optional(),
      conductivityWMK: positive('Conductivity', 500, 'W/mK').optional(),
      lossWM2K: numberField('Loss', { min: 0, max: 200, unit: 'W/m²K' }).optional(),
      gainWM2K: numberField('Gain of the thermostat', { min: 0, max: 100_000, unit: 'W/m²K' }).optional(),
      maxPowerWM2: numberField('Power', { min: 0, max: 500_000, unit: 'W/m²' }).optional(),
      lateralWM2K: numberField('Sideways exchange', { min: 0, max: 5000, unit: 'W/m²K' }).optional(),
      restArea: positive('Bare plate', 1000, 'times the bread').optional(),
      layers: z.number().int().min(1).max(20).optional(),
      resistanceM2KW: numberField('Resistance', { min: 0, max: 0.1, unit: 'm²K/W' }).optional(),
    })
    .optional(),
  /** A griddle of a kitchen in place of the plate's own figures. */
  griddle: griddleSchema.optional(),
  air: z
    .strictObject({
      altitudeM: numberField('Altitude', { min: -400, max: 5000, unit: 'm' }).optional(),
      tempC: temp('Air temperature', -10, 60).optional(),
      humidity: fractionField('Air humidity', 0, 1).optional(),
    })
    .optional(),
  program: bakeSchema.partial({ surface: true, plateC: true }).optional(),
  standard: z
    .strictObject({
      coverAim: bySide('Freckles to aim at').optional(),
      coverLeast: bySide('Least freckles').optional(),
      charMost: numberField('Most char', { min: 0.1, max: 45, unit: '%' }).optional(),
      gelatinised: fractionField('Gelatinised', 0, 0.999).optional(),
      moistureLeast: numberField('Least moisture', { min: 0, max: 60, unit: '%' }).optional(),
      puffLeast: numberField('Puff index', { min: 0, max: 10 }).optional(),
    })
    .optional(),
  /** The set of constants to begin with: those in use, or the first, that reference bakes were made with. */
  constants: choiceField('Constants', CONSTANTS).optional(),
  /** Constants of the model, where they are not those of the set. */
  model: modelSchema.optional(),
  grid: z
    .strictObject({
      cells: z
        .number()
        .int('Cells are whole.')
        .min(6, 'At least 6 cells.')
        .max(200, 'At most 200 cells.')
        .optional(),
      stepS: numberField('Step', { min: 0.001, max: 1, unit: 's' }).optional(),
      everyS: numberField('Time between rows', { min: 0.05, max: 60, unit: 's' }).optional(),
    })
    .optional(),
});

export type BakeDocument = z.infer<typeof bakeRequestSchema>;

const PLAIN = { water: 52, fat: 10, salt: 1.8 };
const USUAL = { thicknessMm: 2, doughC: 25, air: 0.06, plateC: 230, sideS: 25, everyS: 1 };
const MM_PER_M = 1000;
/** Share of a griddle that lies under bread, where nobody says. */
const COVERED = 0.5;

const given = <T extends object>(part: T | undefined): Partial<T> =>
  Object.fromEntries(Object.entries(part ?? {}).filter(([, value]) => value !== undefined)) as Partial<T>;

/** What stands under the figures of a document that brings no formula. */
function plainRequest({ disc, plate, program, griddle, dough }: BakeDocument): BakeRequest {
  const plateC = plate?.tempC ?? program?.plateC ?? USUAL.plateC;
  return {
    setup: {
      dough: doughProperties(partsOfPlainDough(dough ?? PLAIN), disc?.air ?? USUAL.air),
      thicknessMm: disc?.thicknessMm ?? USUAL.thicknessMm,
      doughC: disc?.doughC ?? USUAL.doughC,
      plateC,
      plate: griddle ? plateOf(griddle, COVERED) : STEEL_GRIDDLE,
      air: DEFAULT_AIR,
    },
    program: { surface: 'flat', sides: [{ seconds: USUAL.sideS }, { seconds: USUAL.sideS }], plateC },
    standard: COMMON_STANDARD,
  };
}

/** A formula's own question, as every screen asks it, with what the document says instead. */
function formulaRequest(formula: Formula, { disc, plate, program, griddle }: BakeDocument): BakeRequest {
  const own = disc?.air === undefined ? formula : withAir(formula, disc.air);
  return questionOfFormula(own, CATALOGUE, griddle ? { griddles: [griddle] } : {}, {
    plateC: plate?.tempC ?? program?.plateC,
    thicknessMm: disc?.thicknessMm,
    doughC: disc?.doughC,
  }).request;
}

const withAir = (formula: Formula, air: number): Formula => ({
  ...formula,
  product: { ...formula.product, air },
});

/**
 * The request that a document means, with all its defaults, and the grid to compute it on.
 * @param document a document of the format bake-request
 */
export function readBakeDocument(document: BakeDocument): {
  request: BakeRequest;
  grid: { cells: number; stepS: number };
  everyS: number;
} {
  const { formula, plate, program } = document;
  const base = formula ? formulaRequest(formula, document) : plainRequest(document);
  const { tempC: _heat, startC, restC, thicknessMm: plateMm, ...own } = plate ?? {};
  const { coverAim, coverLeast, ...figures } = document.standard ?? {};
  const { setup } = base;
  const { plateC, thicknessMm } = setup;
  const model = document.constants ? SETS[document.constants] : (setup.model ?? SETS['in use']);
  return {
    request: {
      ...base,
      setup: {
        ...setup,
        startC: { under: startC ?? plateC, rest: restC ?? startC ?? plateC },
        plate: {
          ...(setup.plate ?? STEEL_GRIDDLE),
          ...given(own),
          ...(plateMm === undefined ? {} : { thicknessM: plateMm / MM_PER_M }),
        },
        air: { ...(setup.air ?? DEFAULT_AIR), ...given(document.air) },
        model: { ...model, ...given(document.model) },
      },
      program: { ...base.program, ...given(program), plateC },
      standard: {
        ...base.standard,
        ...given(figures),
        ...(coverAim === undefined ? {} : { coverAim: bothSides(coverAim) }),
        ...(coverLeast === undefined ? {} : { coverLeast: bothSides(coverLeast) }),
      },
    },
    grid: {
      ...gridFor(thicknessMm),
      ...given(document.grid && { cells: document.grid.cells, stepS: document.grid.stepS }),
    },
    everyS: document.grid?.everyS ?? USUAL.everyS,
  };
}
