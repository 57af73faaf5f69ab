import { type Kitchen } from '../kitchen/kitchenSchema';
import { keptShare } from '../kitchen/kitchenDefaults';
import { freeId, slugOf } from '../formula/slug';
import {
  FORMULA_FORMAT,
  FORMULA_FORMAT_VERSION,
  type Formula,
  type FormulaLine,
  formulaSchema,
} from '../formula/formulaSchema';
import type { Method, MixingSchool } from '../formula/methodSchema';
import { USUAL_ON_BREAD_G } from '../formula/onBread';
import type { OnBread } from '../formula/onBreadSchema';
import { InputError, parseInput } from '../message/problem';
import type { ReadLine, ReadList } from './readListTypes';

/** What a new formula starts with until the cook says otherwise: usual figures of the trade. */
const START = {
  ballG: 60,
  thicknessMm: 1.8,
  springBack: 0.06,
  air: { plain: 0.04, leavened: 0.1 },
  plateC: 220,
  sides: [{ seconds: 40 }, { seconds: 30 }],
  liquidTempC: 38,
  holdBack: 0.1,
  kept: 0.985,
} as const;
const LEAST_BALL_G = 5;
const MOST_BALL_G = 2000;
const BOILING_C = 85;
const FRACTION_DECIMALS = 8;

const REST_OF_DOUGH = {
  of: 'dough',
  where: 'room',
  earliestS: 1200,
  latestS: 3600,
  cover: 'damp cloth',
} as const;
const REST_OF_BALLS = { of: 'balls', where: 'room', earliestS: 900, latestS: 2700, cover: 'film' } as const;

/** The school that a list speaks of: boiling water, milk, yogurt and leavener, cold or melted fat. */
function schoolOf(lines: readonly ReadLine[]): MixingSchool {
  const has = (test: (line: ReadLine) => boolean) => lines.some(test);
  const wet = lines.filter(({ food }) => food.kind === 'water' || food.kind === 'dairy');
  const mainLiquid = [...wet].sort((a, b) => (b.mass?.typical ?? 0) - (a.mass?.typical ?? 0))[0];
  if (has(({ food, tempC }) => food.kind === 'water' && (tempC ?? 0) >= BOILING_C)) return 'boiling-water';
  if (has(({ food }) => food.kind === 'leavener') && has(({ food }) => food.id.startsWith('yogurt'))) {
    return 'yogurt-leavener';
  }
  if (mainLiquid?.food.kind === 'dairy') return 'milk';
  if (has(({ food, state }) => food.kind === 'fat' && state === 'cold')) return 'rubbed-in';
  if (has(({ food, state }) => food.kind === 'fat' && state === 'soft')) return 'creamed';
  if (has(({ food, state }) => food.kind === 'fat' && (state === 'melted' || food.at20 === 'liquid')))
    return 'oil';
  return has(({ food }) => food.kind === 'fat' && food.at20 !== 'liquid') ? 'rubbed-in' : 'hold-back';
}

function methodOf(lines: readonly ReadLine[]): Method {
  const wet = lines.filter(({ food }) => food.kind === 'water' || food.kind === 'dairy');
  const main = [...wet].sort((a, b) => (b.mass?.typical ?? 0) - (a.mass?.typical ?? 0))[0];
  const tempC = main?.tempC ?? wet.find((line) => line.tempC !== null)?.tempC ?? START.liquidTempC;
  const ranged = lines.find(({ holdBack }) => holdBack > 0);
  // The hold-back is a share of the main liquid, wherever the range was written.
  const held =
    ranged?.mass && main?.mass ? (ranged.holdBack * ranged.mass.typical) / main.mass.typical : START.holdBack;
  return {
    school: schoolOf(lines),
    saltIn: 'flour',
    liquidTempC: tempC,
    holdBack: Number(Math.min(0.5, held).toFixed(4)),
    mix: { by: 'hand', minS: 120, maxS: 300 },
    knead: { by: 'hand', minS: 240, maxS: 600, test: 'dent-stays' },
    rests: [{ ...REST_OF_DOUGH }, { ...REST_OF_BALLS }],
    shaping: { how: 'pin', note: '' },
    hold: '',
    holdIn: 'cloth',
  };
}

export interface ListNaming {
  id?: string;
  name?: string;
  /** Ids that other formulas have. */
  taken?: ReadonlySet<string>;
  /** The list as it was pasted, kept with the formula. */
  text?: string;
  kitchen?: Pick<Kitchen, 'bowlLoss' | 'benchLoss'>;
}

/**
 * Makes a formula of a list that was read. Open questions stand at their first answer: ask them first.
 * Ball, thickness, times and heat are the trade's usual figures to start from.
 * @param list the list as it was read
 * @param naming id, name and ids in use
 * @throws InputError when there is no flour with an amount, or a line names nothing known
 */
export function listFormula(
  list: ReadList,
  { id, name, taken = new Set(), text = '', kitchen }: ListNaming = {},
): Formula {
  const [unknown] = list.unknown;
  if (unknown) throw InputError.at(`line ${unknown.index + 1}`, unknown.ask);
  const flourG = list.flourG ?? 0;
  if (!(flourG > 0)) {
    throw InputError.at('lines', 'No line says how much flour; every other amount is a share of it.');
  }
  const ids = new Set<string>();
  const lines = list.lines.flatMap((line): FormulaLine[] => {
    const massG = line.mass?.typical ?? 0;
    if (!(massG > 0)) return [];
    const lineId = freeId(line.food.id, ids);
    ids.add(lineId);
    return [
      {
        id: lineId,
        ingredient: line.food.id,
        fraction: Number((massG / flourG).toFixed(FRACTION_DECIMALS)),
        ...(line.note ? { note: line.note } : {}),
        ...(line.measure ? { measure: line.measure } : {}),
      },
    ];
  });
  const onBread = list.lines.flatMap(({ food, onBread: on }): OnBread[] => {
    if (!on) return [];
    const lineId = freeId(`on-${food.id}`.slice(0, 50), ids);
    ids.add(lineId);
    const usualG = food.kind === 'flour' ? USUAL_ON_BREAD_G.benchFlour : USUAL_ON_BREAD_G.butter;
    const gPerPiece = on.massG && list.pieces ? on.massG / list.pieces : usualG;
    return [{ id: lineId, ingredient: food.id, gPerPiece: Number(gPerPiece.toFixed(2)), when: on.when }];
  });
  const doughG = list.lines.reduce((sum, line) => sum + (line.mass?.typical ?? 0), 0);
  const kept = kitchen ? keptShare(kitchen) : START.kept;
  const ballG = list.pieces
    ? Math.min(MOST_BALL_G, Math.max(LEAST_BALL_G, Math.round((doughG * kept) / list.pieces)))
    : START.ballG;
  const leavened = list.lines.some(({ food }) => food.kind === 'leavener');
  const called = (name ?? list.title ?? 'New formula').slice(0, 60);
  return parseInput(formulaSchema, {
    format: FORMULA_FORMAT,
    formatVersion: FORMULA_FORMAT_VERSION,
    id: id ?? freeId(slugOf(called), taken),
    version: 1,
    name: called,
    summary: '',
    ...(text.trim() ? { notes: text.trim().slice(0, 4000) } : {}),
    flourG: Number(flourG.toFixed(3)),
    lines,
    ...(onBread.length > 0 ? { onBread } : {}),
    method: methodOf(list.lines),
    bake: { surface: 'flat', plateC: START.plateC, sides: START.sides.map((side) => ({ ...side })) },
    product: {
      ballG,
      thicknessMm: START.thicknessMm,
      springBack: START.springBack,
      air: leavened ? START.air.leavened : START.air.plain,
      ballToleranceG: Math.max(1, Math.round(ballG * 0.03)),
      look: '',
    },
  });
}
