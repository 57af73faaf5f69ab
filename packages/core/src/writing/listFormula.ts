import { type Kitchen } from '../kitchen/kitchenSchema';
import { keptShare } from '../kitchen/kitchenDefaults';
import { type KindOfBread, USUAL_WORK, type UsualWork } from '../formula/kindsOfBread';
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
import { listKind, schoolOf } from './listKind';
import type { ReadLine, ReadList } from './readListTypes';

/** Of the dough that reaches the griddle before a kitchen has measured its losses. */
const USUAL_KEPT = 0.985;
/** Air in a dough with any leavener, share. */
const LEAVENED_AIR = 0.1;
/** Balls may be off by this share of their weight. */
const BALL_TOLERANCE = 0.03;
const LEAST_BALL_G = 5;
const MOST_BALL_G = 2000;
const FRACTION_DECIMALS = 8;

/** The usual method of a kind of bread, with what the list says of its liquid and its school. */
function methodOf(
  lines: readonly ReadLine[],
  school: MixingSchool | null,
  usual: UsualWork['method'],
): Method {
  const wet = lines.filter(({ food }) => food.kind === 'water' || food.kind === 'dairy');
  const main = [...wet].sort((a, b) => (b.mass?.typical ?? 0) - (a.mass?.typical ?? 0))[0];
  const said = main?.tempC ?? wet.find((line) => line.tempC !== null)?.tempC;
  const ranged = lines.find(({ holdBack }) => holdBack > 0);
  // The hold-back is a share of the main liquid, wherever the range was written.
  const held =
    ranged?.mass && main?.mass ? (ranged.holdBack * ranged.mass.typical) / main.mass.typical : usual.holdBack;
  return {
    ...usual,
    school: school ?? usual.school,
    saltIn: 'flour',
    liquidTempC: said ?? usual.liquidTempC,
    holdBack: Number(Math.min(0.5, held).toFixed(4)),
    hold: '',
    holdIn: 'cloth',
  };
}

export interface ListNaming {
  id?: string;
  name?: string;
  /** Ids that other formulas have. */
  taken?: ReadonlySet<string>;
  /** As its cook says; where it is not said, the list lets one guess. */
  kind?: KindOfBread | undefined;
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
  { id, name, kind, taken = new Set(), text = '', kitchen }: ListNaming = {},
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
  const kept = kitchen ? keptShare(kitchen) : USUAL_KEPT;
  const usual = USUAL_WORK[kind ?? listKind(list)];
  const ballG = list.pieces
    ? Math.min(MOST_BALL_G, Math.max(LEAST_BALL_G, Math.round((doughG * kept) / list.pieces)))
    : usual.product.ballG;
  const leavened = list.lines.some(({ food }) => food.kind === 'leavener');
  const called = (name ?? list.title ?? 'New formula').slice(0, 60);
  return parseInput(formulaSchema, {
    format: FORMULA_FORMAT,
    formatVersion: FORMULA_FORMAT_VERSION,
    id: id ?? freeId(slugOf(called), taken),
    version: 1,
    name: called,
    ...(kind ? { kind } : {}),
    summary: '',
    ...(text.trim() ? { notes: text.trim().slice(0, 4000) } : {}),
    flourG: Number(flourG.toFixed(3)),
    lines,
    ...(onBread.length > 0 ? { onBread } : {}),
    method: methodOf(list.lines, schoolOf(list.lines), usual.method),
    bake: usual.bake,
    product: {
      ...usual.product,
      ballG,
      air: Math.max(usual.product.air, leavened ? LEAVENED_AIR : 0),
      ballToleranceG: Math.max(1, Math.round(ballG * BALL_TOLERANCE)),
      look: '',
    },
  });
}
