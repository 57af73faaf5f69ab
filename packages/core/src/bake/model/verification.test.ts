import fc from 'fast-check';
import jStat from 'jstat';
import { bake } from './bake';
import type { BakeSetup } from './baking';
import { type Column, openColumn } from './column';
import { doughProperties, partsOfPlainDough } from './composition';
import { type FaceTerms, openFaceTerms } from './faces';
import { heatStep } from './heatStep';
import { DEFAULT_AIR, DEFAULT_MODEL, REFERENCE_MODEL } from './model';
import { plateAt, plateStep, STEEL_GRIDDLE } from './plate';
import { mean as meanOf } from 'simple-statistics';
import { updateProperties } from './properties';
import { BASE_CASE } from '@kettle-scale/simulation';
import { boilingC, pressurePa, saturationPa } from './saturation';
import { stagesOfSeconds } from './stages';
import { waterStep } from './waterStep';

const dough = BASE_CASE.dough;
const START_C = 25;
const mean = (values: Float64Array) => meanOf(Array.from(values));

test('the default dough has the properties it is known to have', () => {
  expect(dough.waterPerDry).toBeCloseTo(0.6663, 4);
  expect(dough.densityKgM3).toBeCloseTo(1153.3, 1);
  expect(dough.dryKgM3).toBeCloseTo(692.13, 2);
  expect(dough.dryHeatJKgK).toBeCloseTo(1729.1, 1);
  expect(() => doughProperties({ water: 0, protein: 1, fat: 0, ash: 0, carb: 1 }, 0)).toThrow(RangeError);
});

test('water boils at 100.00 °C by the sea and at 91.66 °C at 2500 m; Buck is 1.2 % low at 150 °C', () => {
  expect(boilingC(pressurePa(0))).toBeCloseTo(100.0, 1);
  expect(boilingC(pressurePa(2500))).toBeCloseTo(91.66, 2);
  expect(saturationPa(150) / 476_160 - 1).toBeCloseTo(-0.012, 3);
});

const openAt = (mm: number, cells: number, doughC = START_C, model = DEFAULT_MODEL): Column =>
  openColumn({
    ...{ dough, thicknessM: mm / 1000, doughC, cells },
    ...{ air: DEFAULT_AIR, model },
  });

const CLOSED: FaceTerms = openFaceTerms();

/** Heats a slab through face A only by conduction, and gives its rise over the step of the plate at each cell's middle. */
function conduct(mm: number, cells: number, stepS: number, endS: number, contact: number) {
  const column = openAt(mm, cells);
  const warmer = START_C + 1;
  const steps = Math.round(endS / stepS);
  for (let step = 0; step < steps; step += 1) {
    updateProperties(column);
    column.vapourLink.fill(0);
    const conductance = 1 / (1 / contact + column.widthM[0]! / (2 * column.conductivity[0]!));
    heatStep(column, stepS, { ...CLOSED, conductance, source: conductance * warmer }, CLOSED);
    column.tempC.set(column.nextC);
  }
  return Array.from(column.tempC, (tempC, i) => ({
    depthM: (column.edgeM[i]! + column.edgeM[i + 1]!) / 2,
    rise: tempC - START_C,
    diffusivity: column.conductivity[i]! / column.heatCapacity[i]!,
    conductivity: column.conductivity[i]!,
  }));
}

/** Rise of a slab that a contact heats on one side, as a Fourier series. */
function fourierRise(fromFarM: number, thicknessM: number, biot: number, fourier: number): number {
  let rise = 1;
  for (let n = 0; n < 40; n += 1) {
    let low = n * Math.PI + 1e-9;
    let high = n * Math.PI + Math.PI / 2 - 1e-9;
    for (let i = 0; i < 80; i += 1) {
      const middle = (low + high) / 2;
      if (middle * Math.tan(middle) > biot) high = middle;
      else low = middle;
    }
    const z = (low + high) / 2;
    const weight = (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z));
    rise -= weight * Math.exp(-z * z * fourier) * Math.cos((z * fromFarM) / thicknessM);
  }
  return rise;
}

function fourierError(cells: number, stepS: number): number {
  const [mm, contact, endS] = [4, 200, 30];
  const slab = conduct(mm, cells, stepS, endS, contact);
  return Math.max(
    ...slab.map(({ depthM, rise, diffusivity, conductivity }) => {
      const thicknessM = mm / 1000;
      const biot = (contact * thicknessM) / conductivity;
      const fourier = (diffusivity * endS) / thicknessM ** 2;
      return Math.abs(rise - fourierRise(thicknessM - depthM, thicknessM, biot, fourier));
    }),
  );
}

/** Slope of ln error over ln 2 between neighbours that halve something. */
const orders = (errors: readonly number[]) => errors.slice(1).map((e, i) => Math.log2(errors[i]! / e));

describe('conduction against closed forms', () => {
  test('a slab in contact follows the Fourier series', () => {
    expect(fourierError(24, 0.25)).toBeLessThan(1.2e-3);
    expect(fourierError(96, 0.0625)).toBeLessThan(3e-4);
  });

  test('second order in space, first order in time', () => {
    for (const order of orders([8, 16, 32].map((cells) => fourierError(cells, 0.002)))) {
      expect(order).toBeGreaterThan(1.7);
      expect(order).toBeLessThan(2.6);
    }
    for (const order of orders([1, 0.5, 0.25].map((stepS) => fourierError(128, stepS)))) {
      expect(order).toBeGreaterThan(0.9);
      expect(order).toBeLessThan(1.3);
    }
  });

  test('a deep slab whose face is held follows the error function', () => {
    const errorAt = (cells: number) =>
      Math.max(
        ...conduct(30, cells, 0.01, 20, 1e9).map(({ depthM, rise, diffusivity }) =>
          Math.abs(rise - jStat.erfc(depthM / (2 * Math.sqrt(diffusivity * 20)))),
        ),
      );
    expect(errorAt(60)).toBeLessThan(3e-3);
    expect(errorAt(120)).toBeLessThan(8e-4);
  });
});

/** Water that a slab at boiling loses through a face held at `heldC`, over the one-phase Stefan solution, minus 1. */
function dryingError(heldC: number, cells: number): number {
  const endS = 60;
  const stepS = 0.05;
  const column = openAt(10, cells, boilingC(pressurePa(0)) - 0.01, {
    ...DEFAULT_MODEL,
    liquidDiffusivity: 1e-16,
  });
  let lostKg = 0;
  for (let step = 0; step < endS / stepS; step += 1) {
    updateProperties(column);
    const conductance = (2 * column.conductivity[0]!) / column.widthM[0]!;
    heatStep(column, stepS, { ...CLOSED, conductance, source: conductance * heldC }, CLOSED);
    for (let i = 0; i < cells; i += 1) {
      lostKg += (column.boiling[i]! - column.condensing[i]!) * column.widthM[i]! * stepS;
    }
    waterStep(column, stepS, 0, 0);
    column.tempC.set(column.nextC);
  }
  // The dry zone between boiling and the held face: at each temperature it keeps the water whose vapour is at ambient
  // pressure. Its properties are means over temperature.
  const dry = openAt(10, 100, 0);
  dry.tempC.forEach((_, i) => {
    const tempC = column.boilingC + ((i + 0.5) / dry.cells) * (heldC - column.boilingC);
    const activity = column.pressurePa / saturationPa(tempC);
    const wet = column.sorption25 * Math.exp(-0.0056 * (tempC - 25)) * (activity / (1 - activity)) ** 0.4;
    dry.tempC[i] = tempC;
    dry.water[i] = Math.min(dough.waterPerDry, wet);
  });
  updateProperties(dry);
  const conductivity = mean(dry.conductivity);
  const capacity = mean(dry.heatCapacity);
  const latent = column.steamJKg - 4187 * column.boilingC;
  const waterKgM3 = dough.dryKgM3 * (dough.waterPerDry - mean(dry.water));
  const stefan = (capacity * (heldC - column.boilingC)) / (waterKgM3 * latent);
  let low = 0;
  let high = 2;
  for (let i = 0; i < 60; i += 1) {
    const l = (low + high) / 2;
    if (Math.sqrt(Math.PI) * l * Math.exp(l * l) * jStat.erf(l) > stefan) high = l;
    else low = l;
  }
  const frontM = 2 * low * Math.sqrt((conductivity / capacity) * endS);
  return lostKg / (waterKgM3 * frontM) - 1;
}

// Without liquid diffusion, as the closed form has none; what remains is the finite isotherm and rate of boiling.
test('the drying front comes nearer the Stefan solution as cells get finer', () => {
  for (const heldC of [120, 150]) {
    const errors = [20, 40, 80].map((cells) => Math.abs(dryingError(heldC, cells)));
    expect(errors[1]).toBeLessThan(errors[0]!);
    expect(errors[2]).toBeLessThan(errors[1]!);
    expect(errors[2]).toBeLessThan(0.035);
  }
});

describe('the whole model', () => {
  test('converges in space and in time', () => {
    const heat = (cells: number) => bake(BASE_CASE, { cells, stepS: 0.02 }).heatKJM2;
    const finest = heat(128);
    const inSpace = [8, 16, 32].map((cells) => Math.abs(heat(cells) / finest - 1));
    expect(inSpace[1]).toBeLessThan(0.006);
    for (const order of orders(inSpace)) expect(order).toBeGreaterThan(1.2);
    const loss = (stepS: number) => bake(BASE_CASE, { cells: 24, stepS }).weightLoss;
    const shortest = loss(0.005);
    const inTime = [0.5, 0.25, 0.125].map((stepS) => Math.abs(loss(stepS) - shortest));
    expect(inTime[1]).toBeLessThan(0.08);
    for (const order of orders(inTime)) expect(order).toBeGreaterThan(0.6);
  });

  test('random bakes all come out usable, with their energy and water accounted for', () => {
    const setups = fc
      .record({
        plateC: fc.double({ min: 140, max: 290, noNaN: true }),
        mm: fc.double({ min: 0.8, max: 5, noNaN: true }),
        altitudeM: fc.double({ min: 0, max: 3000, noNaN: true }),
        seconds: fc.array(fc.integer({ min: 5, max: 90 }), { minLength: 2, maxLength: 5 }),
        water: fc.integer({ min: 45, max: 75 }),
        fat: fc.integer({ min: 0, max: 25 }),
      })
      .map(({ plateC, mm, altitudeM, seconds, water, fat }): BakeSetup => ({
        ...{ dough: doughProperties(partsOfPlainDough({ water, fat, salt: 1.5 }), 0.06), plateC },
        ...{ thicknessMm: mm, doughC: 22, air: { ...DEFAULT_AIR, altitudeM } },
        stages: stagesOfSeconds(seconds),
      }));
    fc.assert(
      fc.property(setups, (setup) => {
        const outcome = bake(setup);
        expect(Math.abs(outcome.energyError)).toBeLessThan(0.5);
        expect(Math.abs(outcome.waterError)).toBeLessThan(1e-8);
        expect(outcome.moisture).toBeGreaterThan(0);
        expect(outcome.moisture).toBeLessThan(100 * setup.dough.moisture + 0.5);
        expect(outcome.gelatinised).toBeGreaterThanOrEqual(0);
        expect(outcome.gelatinised).toBeLessThanOrEqual(1);
        for (const cover of [...outcome.cover, ...outcome.char]) expect(cover).toBeLessThanOrEqual(45);
        for (const faceC of outcome.faceC) expect(faceC).toBeLessThanOrEqual(setup.plateC);
      }),
      { numRuns: 250, seed: 7 },
    );
  });

  test('thinner is faster, more than in proportion', () => {
    const cooked = (mm: number) => {
      const outcome = bake({ ...BASE_CASE, thicknessMm: mm, plateC: 220, stages: stagesOfSeconds([180]) });
      return outcome.bubblesS ?? NaN;
    };
    const power = Math.log(cooked(4) / cooked(2)) / Math.log(2);
    expect(power).toBeGreaterThan(1.5);
    expect(power).toBeLessThan(2.2);
  });
});

test('a run of pieces settles a thick steel plate near 216 °C at load, a weak burner loses it', () => {
  const loads = (plate: Partial<typeof STEEL_GRIDDLE>) => {
    const properties = { ...STEEL_GRIDDLE, ...plate };
    const state = plateAt(properties, 230);
    return Array.from({ length: 6 }, () => {
      const onC = state.underC[0]!;
      const { plateC, restC } = bake({
        ...BASE_CASE,
        model: REFERENCE_MODEL,
        plate: properties,
        startC: { under: onC, rest: state.restC },
        stages: stagesOfSeconds([25, 20]),
      });
      state.underC[0] = plateC;
      state.restC = restC;
      for (let s = 0; s < 10; s += 1) plateStep(properties, state, 230, 25, 0, 1, false);
      return onC;
    }).at(-1)!;
  };
  expect(Math.abs(loads({}) - 216)).toBeLessThanOrEqual(1);
  expect(loads({ maxPowerWM2: 10_000 })).toBeLessThan(186);
  const aluminium = { densityKgM3: 2700, heatJKgK: 900, thicknessM: 0.006, lateralWM2K: 250 };
  expect(Math.abs(loads(aluminium) - 224)).toBeLessThanOrEqual(1);
});
