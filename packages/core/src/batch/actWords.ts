import { type Value, type Words, message } from '../message/message';
import { feelWord } from '../dough/feel';
import type { Plan } from '../plan/planSchema';
import { stepTitle } from '../plan/stepText';
import type { BallsGone, BatchEvent, EventOf, EventType } from './eventSchema';

type Say<T extends EventType> = (event: EventOf<T>, plan: Plan) => Words;

const lineName = (plan: Plan, lineId: string | undefined): Value => {
  const name = plan.sheet.find((line) => line.lineId === lineId)?.name;
  return name === undefined ? 'a line' : { lower: name };
};
const stepOf = (plan: Plan, stepId: string) => plan.steps.find(({ id }) => id === stepId);
const titleOf = (plan: Plan, stepId: string): Value => {
  const step = stepOf(plan, stepId);
  return step ? { lower: stepTitle(plan, step) } : 'a step';
};
const balls = (pieces: number): Words =>
  message('{pieces, plural, one {# ball} other {# balls}}', { pieces });
const piecesOf = (pieces: number): Words =>
  message('{pieces, plural, one {# piece} other {# pieces}}', { pieces });

const BALLS_ARE: Record<BallsGone, (balls: Words) => Words> = {
  dropped: (gone) => message('{balls} dropped', { balls: gone }),
  short: (gone) => message('{balls} short', { balls: gone }),
  'thrown out': (gone) => message('{balls} thrown out', { balls: gone }),
  'baked by others': (gone) => message('{balls} baked by others', { balls: gone }),
};

const SAY: { [T in EventType]: Say<T> } = {
  weighed: ({ stepId, massG }, plan) =>
    message('{mass} {lineName} weighed', {
      mass: { g: massG, stepG: 0.1 },
      lineName: lineName(plan, stepOf(plan, stepId)?.lineId),
    }),
  added: ({ lineId, massG }, plan) =>
    message('{mass} {lineName} added', { mass: { g: massG, stepG: 0.1 }, lineName: lineName(plan, lineId) }),
  dusted: ({ massG }) => message('{mass} bench flour', { mass: { g: massG, stepG: 0.1 } }),
  felt: ({ feel }, plan) =>
    message('feel: {feelWord}', { feelWord: feelWord(feel, plan.formula.method.knead.aim) }),
  tested: ({ passed }) => (passed ? 'test passed' : 'test not passed'),
  'part-done': () => 'a part of mixing done',
  measured: ({ what, tempC }) =>
    message('{what} at {temp}', { what: what.replace('-', ' '), temp: { tempC } }),
  poked: ({ poke }) => message('poke: {poke}', { poke }),
  'sprang-back': ({ relaxedMm }) => message('trial disc of {relaxed}', { relaxed: { mm: relaxedMm } }),
  extended: ({ seconds }) => message('rest {seconds} longer', { seconds: { s: seconds } }),
  covered: () => 'cover checked',
  rescaled: () => 'batch rescaled',
  forgotten: ({ stepId }, plan) =>
    message('no {lineName} went in', { lineName: lineName(plan, stepOf(plan, stepId)?.lineId) }),
  started: ({ stepId }, plan) => message('{titleOf} started', { titleOf: titleOf(plan, stepId) }),
  done: ({ stepId }, plan) => message('{titleOf} ended', { titleOf: titleOf(plan, stepId) }),
  divided: ({ pieces }) => message('divided into {pieces, number}', { pieces }),
  'ball-sampled': ({ massG }) => message('ball of {mass}', { mass: { g: massG, stepG: 0.1 } }),
  leftover: ({ massG, as }) => message('{mass} left over as {as}', { mass: { g: massG }, as }),
  chilled: ({ pieces }) => message('{pieces} into the fridge', { pieces: balls(pieces) }),
  'taken-out': ({ pieces }) => message('{pieces} out of the fridge', { pieces: balls(pieces) }),
  'balls-gone': ({ pieces, how }) => BALLS_ARE[how](balls(pieces)),
  drawn: ({ pieces }) => message('{pieces} made of cold dough', { pieces: balls(pieces) }),
  cared: ({ what }) => message('plate: {what}', { what }),
  'disc-measured': () => 'disc measured',
  rejected: ({ pieces, reason }) =>
    message('{pieces, plural, one {# reject} other {# rejects}}, {reason}', { pieces, reason }),
  inspected: () => 'piece looked at',
  moved: ({ pieces, from, to, reason }) =>
    to === 'thrown out'
      ? message('{pieces} thrown out, {reason}', { pieces: piecesOf(pieces), reason: reason ?? '' })
      : message('{pieces} moved, {from} to {to}', { pieces: piecesOf(pieces), from, to }),
  held: ({ pieces, how }) => message('{pieces} put away, {how}', { pieces: piecesOf(pieces), how }),
  corrected: () => 'figure corrected',
  flattened: ({ diameterMm }) => message('disc rolled to {diameter}', { diameter: { mm: diameterMm } }),
  'by-itself': ({ on }) => (on ? 'counts by itself' : 'no longer counts by itself'),
  'piece-on': ({ piece }) => message('piece {piece, number} on', { piece }),
  flipped: ({ piece }) => message('piece {piece, number} turned', { piece }),
  'piece-off': ({ piece }) => message('piece {piece, number} off', { piece }),
  'back-on': ({ piece }) => message('piece {piece, number} back on', { piece }),
  helped: ({ piece, how }) => message('piece {piece, number}: {how}', { piece, how }),
  trial: ({ piece }) => message('piece {piece, number} a trial', { piece }),
  judged: ({ piece }) => message('piece {piece, number} judged', { piece }),
  finished: ({ good }) => message('batch finished, {good, number} good', { good }),
  abandoned: () => 'batch abandoned',
  note: () => 'note written',
  void: () => 'undo',
};

/** An act in a few words, to say what was taken back: "535 g strong flour weighed". */
export function actWords<T extends EventType>(event: EventOf<T>, plan: Plan): Words {
  const say = SAY[event.type as T];
  return say(event, plan);
}

/**
 * What an undo took back, in the order in which it was told: "rest the dough ended, feel: right".
 * @param acts the acts of one press
 * @param plan the plan
 */
export const undoneWords = (acts: readonly BatchEvent[], plan: Plan): Words =>
  message('{acts}', { acts: { list: acts.map((event) => actWords(event, plan)) } });
