import type { ReadingSource } from '../device/deviceSchema';
import type { PlateCare } from '../formula/methodSchema';
import type { SheetLine, Step } from '../plan/planSchema';
import { roundToStep, sumG } from '../quantity/roundToStep';
import type { BatchEvent, EventOf, Reject } from './eventSchema';

/** A line of one bowl as it stands: what it should be and what is in. */
export interface LineState {
  lineId: string;
  /** To weigh before mixing; follows a rescale. */
  targetG: number;
  /** Expected in all, with what follows by feel. */
  totalG: number;
  weighedG: number | null;
  /** It was called weighed and did not go in. */
  forgotten: boolean;
  /** Came in while mixing and kneading. */
  addedG: number;
}

/** What is in the bowl of a line; before it is weighed, or while some of it is held back, what is expected. */
export const inBowlG = ({ totalG, weighedG, addedG }: LineState, closed: boolean): number => {
  if (weighedG === null) return totalG;
  const inG = sumG([weighedG, addedG]);
  return closed ? inG : Math.max(inG, totalG);
};

export interface BowlState {
  /** Planned masses are multiplied by this: 1 until an over-pour was followed. */
  factor: number;
  mixing: boolean;
  /** Kneaded: nothing more is expected. */
  closed: boolean;
  /** What goes in late is being worked in, or is in. */
  lateIn: boolean;
  lines: LineState[];
}

export interface StepState {
  step: Step;
  status: 'done' | 'now' | 'todo';
  startedMs: number | null;
  doneMs: number | null;
  /** Parts of the step that are done. */
  parts: { part: string; atMs: number }[];
  /** What was felt, measured, tried and looked at during it, in order. */
  seen: SeenEvent[];
  /** A rest was made longer, to here. */
  extendedToMs: number | null;
}

export type SeenEvent = EventOf<
  'felt' | 'tested' | 'measured' | 'poked' | 'sprang-back' | 'covered' | 'added' | 'dusted'
>;

/** A piece over heat. */
export interface PieceOnPlate {
  piece: number;
  /** From 1 at the back left; pieces that say none lie anywhere. */
  place: number | null;
  /** From 1. */
  side: number;
  onMs: number;
  /** Since when it has lain on this side. */
  sinceMs: number;
  /** Seconds of the sides it is done with. */
  doneS: number[];
  /** Plate when it went on, and where the reading came from; older records do not say. */
  plateC: number | null;
  plateFrom: ReadingSource | null;
  /** Some of its times were assumed, while the plate counted by itself. */
  assumed: boolean;
}

/** A piece that is off, with the seconds that each side lay. */
export interface BakedPiece extends Omit<PieceOnPlate, 'side' | 'sinceMs' | 'doneS'> {
  sidesS: number[];
  /** Why it is not sold; null where it is. */
  waste: Reject | null;
}

/** Pieces whose times were seen and which are sold: the others teach nothing. */
export const taughtPieces = ({ baked }: Pick<BatchState, 'baked'>): BakedPiece[] =>
  baked.filter(({ assumed, waste }) => !assumed && waste === null);

/** Pieces that are off and were made to be sold: trials are none of them. */
export const piecesMade = ({
  piecesOff,
  baked,
  trials,
}: Pick<BatchState, 'piecesOff' | 'baked' | 'trials'>): number =>
  piecesOff - baked.filter(({ piece }) => trials.includes(piece)).length;

/** Pieces that came off the plate to be sold. */
export const goodPieces = (state: Pick<BatchState, 'piecesOff' | 'baked' | 'trials' | 'rejected'>): number =>
  state.rejected.reduce(
    (good, { piece, pieces }) => (piece === undefined ? good : good - pieces),
    piecesMade(state),
  );

export interface BatchState {
  status: 'running' | 'finished' | 'abandoned';
  steps: StepState[];
  /** The step to do now; null when the batch is over. */
  now: StepState | null;
  bowls: BowlState[];
  /** Pieces over heat, in the order they went on. */
  onPlate: PieceOnPlate[];
  baked: BakedPiece[];
  /** Pieces that only teach the plate. */
  trials: number[];
  /** What hands did to pieces beyond their program, in order. */
  helped: EventOf<'helped'>[];
  /** What was said of pieces, in order. */
  judged: EventOf<'judged'>[];
  piecesOff: number;
  /** Since when the plate counts by itself, and the act that said so; null while hands do. */
  byItself: { eventId: string; sinceMs: number } | null;
  /** Bench flour that went into the dough. */
  dustedG: number;
  divided: EventOf<'divided'> | null;
  flattened: EventOf<'flattened'> | null;
  /** Balls on the scale, in their order. */
  balls: EventOf<'ball-sampled'>[];
  leftovers: EventOf<'leftover'>[];
  /** Balls that went into the fridge for later and came out again, in order. */
  chilled: EventOf<'chilled' | 'taken-out'>[];
  /** Balls that will not be baked here, in order. */
  gone: EventOf<'balls-gone'>[];
  /** Balls made of dough from the fridge. */
  drawn: EventOf<'drawn'>[];
  /** What was done for the plate, and after how many pieces. */
  cared: { what: PlateCare['what']; afterPieces: number }[];
  discs: EventOf<'disc-measured'>[];
  inspected: EventOf<'inspected'>[];
  rejected: EventOf<'rejected'>[];
  held: EventOf<'held'>[];
  moved: EventOf<'moved'>[];
  finished: EventOf<'finished'> | null;
  abandoned: EventOf<'abandoned'> | null;
  notes: EventOf<'note'>[];
  /** Everybody who worked on it, by the ids of cooks. */
  cooks: string[];
  /** What undo would take back; null when nothing has happened. */
  lastAct: BatchEvent | null;
}

/** How far a weight may be from its target and still be called right: one step of the scale, or half a percent. */
const WEIGHING_TOLERANCE = 0.005;

export const weighingToleranceG = (line: Pick<SheetLine, 'stepG'>, targetG: number): number =>
  Math.max(line.stepG, WEIGHING_TOLERANCE * targetG);

/** What of a line's mass goes in before mixing. */
export const startG = (planned: SheetLine, totalG: number): number =>
  planned.startG === undefined
    ? totalG
    : roundToStep((totalG * planned.startG) / planned.massG, planned.stepG);
