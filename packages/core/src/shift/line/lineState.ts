import type { ShiftBatch, ShiftPlan } from '../shiftSchema';
import type { Luck } from '../demand/shiftDay';
import type { Line } from './compile';

/** Where a batch stands. The numbers only grow, apart from kneading by hand, which is passed on the way to resting. */
export const STAGE = {
  planned: 0,
  weighing: 1,
  weighed: 2,
  mixing: 4,
  resting: 5,
  balls: 7,
  /** Every ball is rolled. */
  rolledOut: 8,
  thrownOut: 9,
  mixed: 41,
} as const;

export interface BatchNow {
  bread: number;
  n: number;
  start: number;
  /** Below zero: as soon as it is rested. */
  bakeAt: number;
  stage: number;
  /** When its stage ends, or when its rest began. */
  at: number;
  /** Balls that are not rolled. */
  left: number;
  /** The how-manieth of its bread. */
  ordinal: number;
  mixer: number;
  /** When hands have emptied its bowl; below zero otherwise. */
  bowlFreeAt: number;
  /** Which cold dough it begins with; below zero: flour. */
  cold: number;
}

export interface PersonNow {
  freeAt: number;
  /** The plate that this person bakes on, or below zero. */
  plate: number;
  /** The plate that a disc in hand is for, or below zero. */
  rollingFor: number;
}

export interface PlateNow {
  batch: number;
  baker: number;
  heat: number;
  hotAt: number;
  /** Below zero: not lit. */
  litAt: number;
  rolled: number;
  rolling: number;
  /** Pieces put on so far; places are taken in turn. */
  count: number;
  freeAt: Float64Array;
  lastOff: number;
  nextOn: number;
  /** Its baker is wanted elsewhere: nothing new is begun. */
  drain: boolean;
}

/** One thing that somebody or a mixer did. */
export interface LineAct {
  who: string;
  kind: 'weigh' | 'load' | 'mix' | 'knead' | 'divide' | 'roll' | 'bake';
  batch: number;
  from: number;
  to: number;
}

export interface LineLog {
  acts: LineAct[];
  pieces: { batch: number; plate: number; place: number; on: number; off: number; rejected: boolean }[];
  heats: { plate: number; heat: string; from: number; hotAt: number }[];
  thrown: { batch: number; what: 'balls' | 'dough'; n: number; at: number }[];
  /** By bread, when somebody was served: wanted at, served at. */
  served: { wanted: number; at: number }[][];
}

/** Pieces of one bread, and where they went. */
export interface BreadCount {
  divided: number;
  made: number;
  rejected: number;
  ballsThrown: number;
  doughThrown: number;
  ballsLeft: number;
  doughLeft: number;
  taken: number;
  lost: number;
  waitS: number;
  /** Pieces past their holding, or left at closing. */
  waste: number;
  kept: number;
}

export const noCount = (): BreadCount => ({
  ...{ divided: 0, made: 0, rejected: 0, ballsThrown: 0, doughThrown: 0, ballsLeft: 0, doughLeft: 0 },
  ...{ taken: 0, lost: 0, waitS: 0, waste: 0, kept: 0 },
});

/** A shift as it stands at a moment, to go on from. */
export interface LineMoment {
  t: number;
  batches: BatchNow[];
  people: PersonNow[];
  plates: PlateNow[];
  /** By bread, when each ready piece came off the plate. */
  ready: number[][];
}

/** A shift while it runs. */
export interface LineRun extends LineMoment {
  line: Line;
  /** By bread, when guests come. */
  wanted: readonly Float64Array[];
  luck: Luck;
  /** By mixer: the batch in it plus one, or 0. */
  mixers: number[];
  counts: BreadCount[];
  changes: number;
  /** By bread: the next ready piece, and the next guest. */
  nextPiece: Int32Array;
  nextGuest: Int32Array;
  log: LineLog | null;
}

/** No batch of a day is drawn further than this; later ones share the last draw. */
export const DRAWN_BATCHES = 48;

const NONE = -1;

// Written out, each: objects that are spread together are slow to look into.
const newBatch = (
  { bread, n, bakeAt = NONE, cold = NONE }: ShiftBatch,
  start: number,
  ordinal: number,
): BatchNow => ({
  bread,
  n,
  start,
  bakeAt,
  cold,
  stage: STAGE.planned,
  at: 0,
  left: n,
  ordinal: Math.min(ordinal, DRAWN_BATCHES - 1),
  mixer: NONE,
  bowlFreeAt: NONE,
});

const coldPlate = (places: number, litAt: number): PlateNow => ({
  batch: NONE,
  baker: NONE,
  heat: NONE,
  hotAt: Infinity,
  litAt,
  rolled: 0,
  rolling: 0,
  count: 0,
  freeAt: new Float64Array(places).fill(NONE),
  lastOff: NONE,
  nextOn: NONE,
  drain: false,
});

/**
 * When the plate is lit: as the plan says, else so that it is hot for the first disc; below zero where nothing is to be baked.
 * @param line the line
 * @param plan its batches
 * @returns s from midnight
 */
export function litAtOf({ shift, breads }: Line, plan: ShiftPlan): number {
  const firstDisc = Math.min(
    ...plan.batches.map(({ bread, bakeAt }) =>
      bakeAt === undefined ? Infinity : bakeAt + breads[bread]!.rollS,
    ),
  );
  const litAt = plan.light ?? firstDisc - shift.plates[0]!.preheatS;
  return Number.isFinite(litAt) ? Math.max(shift.opens, litAt) : NONE;
}

/**
 * A shift before anything has happened.
 * @param line the line
 * @param plan its batches
 */
export function firstMoment(line: Line, plan: ShiftPlan): LineMoment {
  const { shift, breads } = line;
  const ordinals = breads.map(() => 0);
  const litAt = litAtOf(line, plan);
  return {
    t: shift.opens,
    batches: plan.batches.map((batch) => {
      const ordinal = ordinals[batch.bread]!;
      ordinals[batch.bread] = ordinal + 1;
      return newBatch(batch, batch.start, ordinal);
    }),
    people: shift.people.map(() => ({ freeAt: shift.opens, plate: NONE, rollingFor: NONE })),
    plates: shift.plates.map(({ places }) => coldPlate(places, litAt)),
    ready: breads.map(() => []),
  };
}

/**
 * A moment to go on from with other batches: those that are begun stay as they are, the others are the plan's.
 * @param moment the shift as it stands
 * @param rest batches that are not begun
 */
export function withRest(moment: LineMoment, rest: ShiftPlan['batches']): LineMoment {
  const begun = moment.batches.filter(({ stage }) => stage !== STAGE.planned);
  const ordinals = new Map<number, number>();
  for (const { bread } of begun) ordinals.set(bread, (ordinals.get(bread) ?? 0) + 1);
  // Plates name their batch by its place in the list, so those that are begun must come first and in their order.
  const indexOf = new Map(begun.map((batch, index) => [batch, index]));
  const moved = (batch: number) => (batch < 0 ? batch : (indexOf.get(moment.batches[batch]!) ?? NONE));
  return {
    t: moment.t,
    batches: [
      ...begun.map((batch) => ({ ...batch })),
      ...rest.map((batch) => {
        const ordinal = ordinals.get(batch.bread) ?? 0;
        ordinals.set(batch.bread, ordinal + 1);
        return newBatch(batch, Math.max(batch.start, moment.t), ordinal);
      }),
    ],
    people: moment.people.map((person) => ({ ...person })),
    plates: moment.plates.map((plate) => ({
      ...plate,
      batch: moved(plate.batch),
      freeAt: plate.freeAt.slice(),
    })),
    ready: moment.ready.map((pieces) => pieces.slice()),
  };
}
