import { type Words, message } from '../message/message';
import type { BakeProgram } from './methodSchema';

/** One stretch of a piece's time over heat. */
export interface BakePhase {
  /** "Side 1", "Side 2", "Flame". */
  name: Words;
  seconds: number;
  /** True over an open flame or under a grill. */
  flame: boolean;
  /** Pressed while it lies. */
  pressed?: boolean;
  /** What the cook does while it lasts, in a few words. */
  act: Words | null;
}

/** Whether a wet face holds the bread on its iron, flat or domed: the iron is turned over the fire, not the bread. */
export const turnsIron = ({ sides, finish }: Pick<BakeProgram, 'sides' | 'finish'>): boolean =>
  finish?.kind === 'flame' && sides.at(-1)?.wetFace === true;

const inOne = (acts: readonly Words[]): Words | null =>
  acts.length > 0 ? message('{acts}', { acts: { list: acts } }) : null;

/**
 * The sides of a bake program and its finish, one after the other.
 * @param program sides and finish
 * @returns s and heat of each
 */
export function bakePhases({ sides, finish }: BakeProgram): BakePhase[] {
  const phases = sides.map((side, index): BakePhase => {
    const acts: (Words | undefined | false)[] = [
      side.plateC !== undefined && message('on the place at {plate}', { plate: { tempC: side.plateC } }),
      side.wetFace && 'wet face down',
      side.press && 'press lightly',
      side.butter && 'butter it',
      side.rim && 'at its end press the rim onto the iron, all the way round',
    ];
    return {
      name: message('Side {index, number}', { index: index + 1 }),
      seconds: side.seconds,
      flame: false,
      ...(side.press ? { pressed: true } : {}),
      act: inOne(acts.filter((act) => act !== undefined && act !== false)),
    };
  });
  if (!finish) return phases;
  const name = finish.kind === 'flame' ? 'Flame' : 'Grill';
  const act = turnsIron({ sides, finish })
    ? 'iron over the fire, kept moving, hands clear'
    : 'tongs, hands clear';
  return [...phases, { name, seconds: finish.seconds, flame: true, act }];
}

/**
 * What is done to a disc before it goes on: between hot platens, floured; empty when nothing.
 * @param program press and flour
 */
export const beforePlate = ({ hotPress, floured }: BakeProgram): Words[] => [
  ...(hotPress
    ? [
        message('hot press at {temp} for {seconds, number} s', {
          temp: { tempC: hotPress.tempC },
          seconds: hotPress.seconds,
        }),
      ]
    : []),
  ...(floured ? ['bench flour stays on'] : []),
];

/**
 * What the plate is set to for a piece: some breads begin hot and go on lower, or the other way round.
 * @param bake the program
 * @param piece its number, from 1
 * @returns °C
 */
export const plateCFor = ({ plateC, later }: Pick<BakeProgram, 'plateC' | 'later'>, piece: number): number =>
  later && piece > later.afterPieces ? later.plateC : plateC;

/** Seconds that one piece spends over heat. */
export const bakeSecondsOf = (bake: BakeProgram): number =>
  bakePhases(bake).reduce((sum, phase) => sum + phase.seconds, 0);
