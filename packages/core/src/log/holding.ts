import { DEFAULT_HOLD_H, type Holding } from '../kitchen/holdings';
import type { Kitchen } from '../kitchen/kitchenSchema';
import type { BatchRecord } from '../batch/recordSchema';

const MS_PER_H = 3_600_000;

/** Bread that was put away, and until when the kitchen lets it be. */
export interface HeldBread {
  how: Holding;
  pieces: number;
  madeMs: number;
  useByMs: number;
  /** Of the way it is held, hours. */
  limitH: number;
  /** The kitchen has set that limit; otherwise it is the starting figure that the product comes with. */
  limitIsOwn: boolean;
}

/** How long bread may be held in a way: the kitchen's setting, else the product's own default; local food codes come first. */
export const holdLimitH = ({ holdH }: Pick<Kitchen, 'holdH'>, how: Holding): number =>
  holdH?.[how] ?? DEFAULT_HOLD_H[how];

/** Bread of a record with its clock, which starts when it was put away. */
export function heldBread(
  kitchen: Pick<Kitchen, 'holdH'>,
  { held = [] }: Pick<BatchRecord, 'held'>,
): HeldBread[] {
  return held.map(({ how, pieces, atMs: madeMs }) => {
    const limitH = holdLimitH(kitchen, how);
    return {
      how,
      pieces,
      madeMs,
      useByMs: madeMs + limitH * MS_PER_H,
      limitH,
      limitIsOwn: kitchen.holdH?.[how] !== undefined,
    };
  });
}

/** Where a clock stands: well within, in its last fifth, or over. */
export function holdState({ madeMs, useByMs }: HeldBread, nowMs: number): 'good' | 'soon' | 'over' {
  if (nowMs >= useByMs) return 'over';
  return nowMs >= useByMs - (useByMs - madeMs) / 5 ? 'soon' : 'good';
}

/** Bread thicker than this is warmed slowly, so that its middle is hot before its face is hard, mm. */
const THICK_MM = 3;

/** A thin bread is through before a thawed one is out of its wrapping. */
const FROZEN_ON_PLATE = 'on a plate at about 190 °C, 30 to 45 s a side, under a lid';

/** How hot is hot enough differs by place. */
const HOT_ENOUGH = 'Heat it through as your local food code asks.';

/** How held bread comes back: by how it was kept and how thick it is (trade practice). */
export function reheatWords(how: Holding, thicknessMm: number): string {
  const thick = thicknessMm >= THICK_MM;
  const onPlate = thick
    ? 'on a plate at about 180 °C, 60 to 90 s a side, under a lid'
    : 'on a plate at about 200 °C, 15 to 25 s a side';
  if (how === 'freezer') {
    const straight = `straight from the freezer, a dab of water on each side, ${FROZEN_ON_PLATE}`;
    const thawed = `Thaw in its wrapping in the fridge, then a dab of water on each side and ${onPlate}.`;
    return thick
      ? `${thawed} Do not freeze it again. ${HOT_ENOUGH}`
      : `Take it ${straight}; a stack that sticks together is thawed in its wrapping in the fridge first. Do not freeze it again. ${HOT_ENOUGH}`;
  }
  if (how === 'fridge')
    return `A dab of water on each side, then ${onPlate}; or wrapped, in steam, until it bends. ${HOT_ENOUGH}`;
  return `Serve from the ${how === 'served at once' ? 'plate' : how}. If it has cooled: a dab of water on each side, then ${onPlate}.`;
}
