import { formatTemp, type UnitSystem } from '../quantity/formatQuantity';
import type { Plan, SheetLine } from './planSchema';

/** One part of mixing, in the order of the school. */
export interface MixPart {
  id: string;
  title: string;
  text: string;
  /** A hazard, shown in place. */
  caution?: { lead: string; text: string } | undefined;
  /** Additions by feel happen here; a wait runs by the clock; a temperature may be taken. */
  kind: 'do' | 'add' | 'wait';
  waitS?: number;
  /** What a probe may be put into. */
  probe?: 'fat' | 'liquid';
}

/** A dairy drier than this is a powder: it goes in with the flour and is not poured. */
const POURS_FROM_WATER = 0.3;

export const range = ([from, to]: readonly [number, number], units: UnitSystem) =>
  `${formatTemp(from, units)} to ${formatTemp(to, units)}`;

/** Names of the lines of some kinds; what goes in late is not named. */
export const lineOf = (plan: Plan, kinds: readonly string[]) =>
  plan.sheet
    .filter(({ kind, late }) => kinds.includes(kind) && !late)
    .map(({ name }) => name.toLowerCase())
    .join(' and ');

/** Names of lines by what they are made of, in small letters. */
function namesOf(plan: Plan, test: (line: SheetLine, water: number) => boolean): string {
  const water = new Map(plan.ingredients.map((food) => [food.id, food.water]));
  return plan.sheet
    .filter((line) => !line.late && test(line, water.get(line.ingredient) ?? 0))
    .map(({ name }) => name.toLowerCase())
    .join(' and ');
}
const isPowder = ({ kind }: SheetLine, water: number): boolean =>
  kind === 'dairy' && water < POURS_FROM_WATER;
export const liquidName = (plan: Plan): string =>
  namesOf(
    plan,
    (line, water) => (line.kind === 'water' || line.kind === 'dairy') && !isPowder(line, water),
  ) || 'the liquid';
export const dryName = (plan: Plan, kinds: readonly string[]): string =>
  namesOf(plan, (line, water) => kinds.includes(line.kind) || isPowder(line, water));
export const fatName = (plan: Plan): string => lineOf(plan, ['fat']);
export const liquidC = (plan: Plan): number => plan.today?.liquid?.tempC ?? plan.formula.method.liquidTempC;
