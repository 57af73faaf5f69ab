import {
  type BakeSetup,
  doughProperties,
  partsOfPlainDough,
  DEFAULT_AIR,
  REFERENCE_MODEL,
  STEEL_GRIDDLE,
  stagesOfSeconds,
} from '@kettle-scale/core/bake';

/** The dough and the air of the reference cases. */
const PLAIN = { water: 52, fat: 10, salt: 1.8 };
const AIR_IN_DOUGH = 0.06;
const DOUGH_C = 25;

interface Case {
  plateC: number;
  mm: number;
  seconds: number[];
  dough?: { water: number; fat: number; salt: number };
  altitudeM?: number;
  held?: boolean;
  press?: number;
  iron?: boolean;
}

const CASES: Record<string, Case> = {
  'R1 base': { plateC: 230, mm: 2, seconds: [25, 25] },
  'R2 moderate': { plateC: 210, mm: 2, seconds: [38, 38] },
  'R3 3 mm medium': { plateC: 190, mm: 3, seconds: [60, 30] },
  'R4 cool plate': { plateC: 170, mm: 2, seconds: [60, 60] },
  'R5 very thin, hot': { plateC: 250, mm: 0.8, seconds: [12, 10] },
  'R6 thick, lean, 4 contacts': {
    ...{ plateC: 190, mm: 4.5, seconds: [60, 60, 60, 60] },
    dough: { water: 60, fat: 0, salt: 1 },
  },
  'R7 too hot, thick': { plateC: 290, mm: 3, seconds: [25, 25] },
  'R8 too cold': { plateC: 145, mm: 2, seconds: [120, 120] },
  'R9 at 2500 m': { plateC: 225, mm: 2, seconds: [28, 28], altitudeM: 2500 },
  'R10 lean, 1.5 mm, 3 contacts': {
    ...{ plateC: 240, mm: 1.5, seconds: [15, 25, 15] },
    dough: { water: 62, fat: 1, salt: 1 },
  },
  'R11 ideal plate': { plateC: 230, mm: 2, seconds: [25, 25], held: true },
  'R12 thin iron, fixed flame, pressed': {
    ...{ plateC: 230, mm: 2, seconds: [30, 30] },
    ...{ press: 1.3, iron: true },
  },
};

function setupOf({ plateC, mm, seconds, dough, altitudeM, held, press, iron }: Case): BakeSetup {
  return {
    dough: doughProperties(partsOfPlainDough(dough ?? PLAIN), AIR_IN_DOUGH),
    thicknessMm: mm,
    doughC: DOUGH_C,
    plateC,
    air: { ...DEFAULT_AIR, altitudeM: altitudeM ?? 0 },
    plate: {
      ...STEEL_GRIDDLE,
      ...(iron ? { densityKgM3: 7200, heatJKgK: 500, thicknessM: 0.004, gainWM2K: 0 } : {}),
      held: held ?? false,
    },
    stages: stagesOfSeconds(seconds, press ?? false),
  };
}

/** Bakes whose results on a fine grid are known, with the constants they were made with: tests and the benchmark run them. */
export const REFERENCE_CASES: Record<string, BakeSetup> = Object.fromEntries(
  Object.entries(CASES).map(([name, one]) => [name, { ...setupOf(one), model: REFERENCE_MODEL }]),
);
/** The first of them, with the constants in use. */
export const BASE_CASE: BakeSetup = setupOf(CASES['R1 base']!);
