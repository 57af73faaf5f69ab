import { type Value, type Words, message } from '../message/message';
import type { Plan, SheetLine } from './planSchema';

/** One part of mixing, in the order of the school. */
export interface MixPart {
  id: string;
  title: string;
  /** What to weigh out for it, in sight. */
  amounts?: Words;
  text: Words;
  /** A hazard, shown in place. */
  caution?: { lead: Words; text: Words } | undefined;
  /** Additions by feel happen here; a wait runs by the clock; a temperature may be taken. */
  kind: 'do' | 'add' | 'wait';
  waitS?: number;
  /** What a probe may be put into. */
  probe?: 'fat' | 'liquid';
}

/** A dairy drier than this is a powder: it goes in with the flour and is not poured. */
const POURS_FROM_WATER = 0.3;

export const range = ([from, to]: readonly [number, number]) =>
  message('{from} to {to}', { from: { tempC: from }, to: { tempC: to } });

/** Names of lines, in small letters within a sentence; null for none. */
export const inOne = (lines: readonly SheetLine[]): Value | null =>
  lines.length > 0 ? { list: lines.map(({ name }) => ({ lower: name })), as: 'and' } : null;

/** Names of the lines of some kinds; what goes in late is not named. */
export const lineOf = (plan: Plan, kinds: readonly string[]): Value | null =>
  inOne(plan.sheet.filter(({ kind, late }) => kinds.includes(kind) && !late));

/** Lines by what they are made of. */
function linesOf(plan: Plan, test: (line: SheetLine, water: number) => boolean): SheetLine[] {
  const water = new Map(plan.ingredients.map((food) => [food.id, food.water]));
  return plan.sheet.filter((line) => !line.late && test(line, water.get(line.ingredient) ?? 0));
}
const isPowder = ({ kind }: SheetLine, water: number): boolean =>
  kind === 'dairy' && water < POURS_FROM_WATER;
/** Lines that are poured. */
export const liquidLines = (plan: Plan): SheetLine[] =>
  linesOf(plan, (line, water) => (line.kind === 'water' || line.kind === 'dairy') && !isPowder(line, water));
export const liquidName = (plan: Plan): Value => inOne(liquidLines(plan)) ?? 'the liquid';
/** Lines of some kinds, and dairy that is a powder. */
export const dryLines = (plan: Plan, kinds: readonly string[]): SheetLine[] =>
  linesOf(plan, (line, water) => kinds.includes(line.kind) || isPowder(line, water));
export const dryName = (plan: Plan, kinds: readonly string[]): Value =>
  inOne(dryLines(plan, kinds)) ?? 'the flour';
export const fatName = (plan: Plan): Value | null => lineOf(plan, ['fat']);
export const liquidC = (plan: Plan): number => plan.today?.liquid?.tempC ?? plan.formula.method.liquidTempC;
