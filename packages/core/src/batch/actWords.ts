import { feelWord } from '../dough/feel';
import type { Plan } from '../plan/planSchema';
import { stepTitle } from '../plan/stepText';
import {
  formatLength,
  formatMass,
  formatSpan,
  formatTemp,
  type UnitSystem,
} from '../quantity/formatQuantity';
import type { BatchEvent, EventOf, EventType } from './eventSchema';

type Say<T extends EventType> = (event: EventOf<T>, plan: Plan, units: UnitSystem) => string;

const lineName = (plan: Plan, lineId: string | undefined): string =>
  plan.sheet.find((line) => line.lineId === lineId)?.name.toLowerCase() ?? 'a line';
const stepOf = (plan: Plan, stepId: string) => plan.steps.find(({ id }) => id === stepId);
const titleOf = (plan: Plan, stepId: string): string => {
  const step = stepOf(plan, stepId);
  return step ? stepTitle(plan, step).toLowerCase() : 'a step';
};
const counted = (pieces: number, what: string): string => `${pieces} ${what}${pieces === 1 ? '' : 's'}`;

const SAY: { [T in EventType]: Say<T> } = {
  weighed: ({ stepId, massG }, plan, units) =>
    `${formatMass(massG, 0.1, units)} ${lineName(plan, stepOf(plan, stepId)?.lineId)} weighed`,
  added: ({ lineId, massG }, plan, units) =>
    `${formatMass(massG, 0.1, units)} ${lineName(plan, lineId)} added`,
  dusted: ({ massG }, _plan, units) => `${formatMass(massG, 0.1, units)} bench flour`,
  felt: ({ feel }, plan) => `feel: ${feelWord(feel, plan.formula.method.knead.aim)}`,
  tested: ({ passed }) => (passed ? 'test passed' : 'test not passed'),
  'part-done': () => 'a part of mixing done',
  measured: ({ what, tempC }, _plan, units) => `${what.replace('-', ' ')} at ${formatTemp(tempC, units)}`,
  poked: ({ poke }) => `poke: ${poke}`,
  'sprang-back': ({ relaxedMm }, _plan, units) => `trial disc of ${formatLength(relaxedMm, units)}`,
  extended: ({ seconds }) => `rest ${formatSpan(seconds)} longer`,
  covered: () => 'cover looked at',
  rescaled: () => 'batch rescaled',
  started: ({ stepId }, plan) => `${titleOf(plan, stepId)} started`,
  done: ({ stepId }, plan) => `${titleOf(plan, stepId)} ended`,
  divided: ({ pieces }) => `divided into ${pieces}`,
  'ball-sampled': ({ massG }, _plan, units) => `ball of ${formatMass(massG, 0.1, units)}`,
  leftover: ({ massG, as }, _plan, units) => `${formatMass(massG, 1, units)} left over as ${as}`,
  chilled: ({ pieces }) => `${counted(pieces, 'ball')} into the fridge`,
  'taken-out': ({ pieces }) => `${counted(pieces, 'ball')} out of the fridge`,
  drawn: ({ pieces }) => `${counted(pieces, 'ball')} made of cold dough`,
  cared: ({ what }) => `plate: ${what}`,
  'disc-measured': () => 'disc measured',
  rejected: ({ pieces, reason }) => `${counted(pieces, 'reject')}, ${reason}`,
  inspected: () => 'piece looked at',
  moved: ({ pieces, from, to, reason }) =>
    `${counted(pieces, 'piece')} ${to === 'thrown out' ? `thrown out, ${reason}` : `moved, ${from} to ${to}`}`,
  held: ({ pieces, how }) => `${counted(pieces, 'piece')} put away, ${how}`,
  corrected: () => 'figure corrected',
  flattened: ({ diameterMm }, _plan, units) => `disc rolled to ${formatLength(diameterMm, units)}`,
  'piece-on': ({ piece }) => `piece ${piece} on`,
  flipped: ({ piece }) => `piece ${piece} turned`,
  'piece-off': ({ piece }) => `piece ${piece} off`,
  judged: ({ piece }) => `piece ${piece} judged`,
  finished: ({ good }) => `batch finished, ${good} good`,
  abandoned: () => 'batch given up',
  note: () => 'note written',
  void: () => 'undo',
};

/** An act in a few words, to say what was taken back: "535 g strong flour weighed". */
export function actWords<T extends EventType>(
  event: EventOf<T>,
  plan: Plan,
  units: UnitSystem = 'metric',
): string {
  const say = SAY[event.type as T];
  return say(event, plan, units);
}

/**
 * What an undo took back, in the order in which it was told: "rest the dough ended, feel: right".
 * @param acts the acts of one press
 * @param plan the plan
 * @param units measures of the reader
 */
export const undoneWords = (acts: readonly BatchEvent[], plan: Plan, units?: UnitSystem): string =>
  acts.map((event) => actWords(event, plan, units)).join(', ');
