import { type Words, message } from '../../message/message';
import { browningOf, browningRate } from '../model/browning';
import { DEFAULT_MODEL } from '../model/model';

/** What a cook without a thermometer calls a heat, and what plates so called have, °C (assumptions). */
export const HEAT_WORDS = [
  { words: 'medium-low', fromC: 160, toC: 185 },
  { words: 'medium', fromC: 185, toC: 210 },
  { words: 'medium-high', fromC: 210, toC: 235 },
  { words: 'high', fromC: 235, toC: 265 },
] as const;
export type HeatWord = (typeof HEAT_WORDS)[number]['words'];

/** A pinch of dry flour takes so long to have the plate's heat, s, and is called tan at this lightness. */
const WARMS_S = 3;
const TAN_LIGHTNESS = 65;
const DRY_ACTIVITY = 0.05;

/** Seconds until a pinch of flour on a bare plate is tan: a rough thermometer. */
export const flourTansS = (plateC: number): number =>
  WARMS_S + browningOf(TAN_LIGHTNESS) / browningRate(DEFAULT_MODEL, plateC, DRY_ACTIVITY);

/** From about this heat on a drop of water rolls on the plate; below it it spreads and hisses away, °C. */
const DROP_ROLLS_FROM_C = 195;

/**
 * How to know a heat without a thermometer.
 * @param heat its range, °C
 * @returns drop and flour, in a sentence
 */
export function heatSigns({ fromC, toC }: Pick<(typeof HEAT_WORDS)[number], 'fromC' | 'toC'>): Words {
  const drop =
    fromC >= DROP_ROLLS_FROM_C
      ? 'a drop of water rolls and dances'
      : toC <= DROP_ROLLS_FROM_C
        ? 'a drop of water spreads and hisses away'
        : 'a drop of water just begins to roll';
  return message(
    '{from} to {to}: {drop}; a pinch of flour is tan in {flourTans, number} to {flourTans2, number} s.',
    {
      from: { tempC: fromC },
      to: { tempC: toC },
      drop,
      flourTans: Math.round(flourTansS(toC)),
      flourTans2: Math.round(flourTansS(fromC)),
    },
  );
}
