import { say } from '../../../reader/say';
import {
  type BatchState,
  type EventBody,
  type Help,
  type Reject,
  ballsAtHand,
  ballsMade,
  coldStore,
} from '@kettle-scale/core/batch';
import {
  type BakeQuestion,
  type CountedBy,
  NOTHING_PUT_OFF,
  type LivePiece,
  type OtherPiece,
  type PlateAct,
  type PlateWork,
  type TimesInUse,
  type Trim,
  freePlace,
  livePieces,
  nextPieceNumber,
  placeOffsetsC,
  placesOf,
  plateActs,
  rangeAt,
  seenPieces,
  trimOf,
  whyNotWritten,
} from '@kettle-scale/core/bake';
import { type BakeProgram, bakePhases, plateCFor } from '@kettle-scale/core/formula';
import type { Explanation } from '@kettle-scale/core/message';
import { useMemo } from 'react';
import type { LiveBatch } from '../../../batch/useBatch';
import { useFormat } from '../../../ui/useFormat';
import { explainLive } from './explainLive';
import { useOthersOnPlate } from './useOthersOnPlate';
import type { LiveTimes } from './liveTimes';
import type { PlateRead } from './plateNow';

/** Keys 1 to 9 reach so many places. */
const MOST_PLACES = 9;
/** Where the kitchen has told of no plate. */
const USUAL_PLACES = 4;

type PieceOn = Extract<EventBody, { type: 'piece-on' }>;

/** What was judged before a piece went on: its times never change under it. */
const trimBefore = (state: BatchState, onMs: number): Trim =>
  trimOf(seenPieces(state.judged.filter(({ at }) => Date.parse(at) <= onMs)));

/** So many pieces are told of a change of heat where nobody reads the plate; and so near it is made, °C. */
const TOLD = { pieces: 2, nearC: 8 } as const;

/** The heat that the plate is set to now, on purpose; null where it is not changed, or is there. */
function heatChange(bake: BakeProgram, piece: number, readC: number | null): number | null {
  const { later } = bake;
  if (!later || piece <= later.afterPieces) return null;
  const isThere =
    readC === null ? piece > later.afterPieces + TOLD.pieces : Math.abs(readC - later.plateC) <= TOLD.nearC;
  return isThere ? null : later.plateC;
}

/** Where the batch's breads lie on the kitchen's plate, and how much hotter or colder each place is, °C. */
function usePlaces({ batch }: LiveBatch, { griddle }: BakeQuestion) {
  const { plan } = batch;
  return useMemo(() => {
    const spots = placesOf(griddle, plan.relaxed.diameterMm);
    const placeCount = Math.min(MOST_PLACES, Math.max(1, griddle ? spots.length : USUAL_PLACES));
    return { spots, placeCount, offsets: griddle ? placeOffsetsC(griddle, spots) : [] };
  }, [plan, griddle]);
}

interface ActingOn {
  plate: PlateRead | null;
  work: PlateWork;
  counted: CountedBy;
}

/** What hands do at the plate. */
function actsOf(live: LiveBatch, { plate, work, counted }: ActingOn) {
  const { state } = live;
  const put = (piece: number, place: number): PieceOn => {
    const plateC = counted.readC(place);
    return {
      type: 'piece-on',
      piece,
      place,
      ...(plate && plateC !== null ? { plateC, source: plate.source } : {}),
    };
  };
  /** Waste is the piece's own: it counts as none of the batch's. It comes off, where it still lies. */
  const wasted = (piece: number, reason: Reject): EventBody[] => [
    ...(state.onPlate.some((one) => one.piece === piece) ? [{ type: 'piece-off' as const, piece }] : []),
    { type: 'rejected', pieces: 1, reason, piece },
  ];
  const actsOfPlate = {
    on: (place: number) => live.act(put(nextPieceNumber(work.used, work.begun), place)),
    /** An act that nobody saw, as it is recorded. */
    bodyOf: ({ kind, piece, place, side }: PlateAct): EventBody =>
      kind === 'put'
        ? { ...put(piece, place), assumed: true }
        : kind === 'off'
          ? { type: 'piece-off', piece, assumed: true }
          : { type: 'flipped', piece, side, assumed: true },
    /** At its own time where it was done then and is told only now. */
    forward: (one: LivePiece, atMs = Date.now()) =>
      live.actAt(
        atMs,
        one.next === 'off'
          ? { type: 'piece-off', piece: one.piece }
          : { type: 'flipped', piece: one.piece, side: one.side + 1 },
      ),
    /** All that was due of a piece was done at its time, as far as anybody knows. */
    inTime: (one: LivePiece) => {
      const lies = state.onPlate.filter(({ piece }) => piece === one.piece);
      const alone = { ...work, onPlate: lies, left: 0 };
      const acts = plateActs(alone, { ...counted, others: [] }, NOTHING_PUT_OFF, one.dueMs, Date.now());
      for (const act of acts) live.actAt(act.atMs, actsOfPlate.bodyOf(act));
    },
    /** A turn more than the program has. */
    oneMoreTurn: ({ piece, side }: Pick<LivePiece, 'piece' | 'side'>) =>
      live.act({ type: 'flipped', piece, side: side + 1 }),
    helped: (piece: number, how: Help) => live.act({ type: 'helped', piece, how }),
    trial: (piece: number) => live.act({ type: 'trial', piece }),
    backOn: (piece: number, place: number) => live.act({ type: 'back-on', piece, place }),
    reject: (piece: number, reason: Reject) => live.act(...wasted(piece, reason)),
    burnt: (pieces: readonly LivePiece[]) =>
      live.act(...pieces.flatMap(({ piece }) => wasted(piece, 'burnt'))),
  };
  return actsOfPlate;
}

interface AroundPlate {
  live: LiveBatch;
  times: LiveTimes;
  trim: Trim;
  readC: number | null;
  offsets: readonly number[];
  placeCount: number;
  others: readonly OtherPiece[];
  nextPiece: number;
}

/** Plate, times and places that pieces are counted by; the same until one of them changes. */
function useCountedBy({
  live,
  times,
  trim,
  readC,
  offsets,
  placeCount,
  others,
  nextPiece,
}: AroundPlate): CountedBy {
  const { bake } = live.batch.plan.formula;
  const { state } = live;
  return useMemo(() => {
    const placeC = (place: number, piece = nextPiece) =>
      (readC ?? plateCFor(bake, piece)) + (offsets[place - 1] ?? 0);
    const phases = bakePhases(bake);
    return {
      phases,
      table: times.table,
      coverAim: times.request.standard.coverAim[0],
      placeC,
      secondsFor: (plateC, onMs) => times.timesAt(plateC, trimBefore(state, onMs)),
      placeCount,
      others,
      readC: (place) => (readC === null ? null : Math.round(placeC(place) * 10) / 10),
      secondsOfNext: (place) => {
        const seconds = times.timesAt(placeC(place), trim);
        return phases.map((phase, side) => seconds[side] ?? phase.seconds);
      },
    };
  }, [state, bake, times, trim, readC, offsets, placeCount, others, nextPiece]);
}

/** What lies, what is still to come, and the number of the piece that comes next. */
function usePlateWork({ batch, state }: LiveBatch): { work: PlateWork; nextPiece: number } {
  const left = ballsAtHand(batch.plan, state);
  return useMemo(() => {
    const used = [...state.onPlate, ...state.baked].map(({ piece }) => piece);
    const begun = state.piecesOff + state.onPlate.length;
    return { work: { onPlate: state.onPlate, left, used, begun }, nextPiece: nextPieceNumber(used, begun) };
  }, [state, left]);
}

/**
 * The batch on its plate: pieces with what is next for each, where the next one goes and how long it lies. Nothing here
 * follows the clock; whoever shows a countdown looks at it.
 */
export function useLiveGriddle(
  live: LiveBatch,
  { question, use }: TimesInUse,
  times: LiveTimes,
  plate: PlateRead | null,
) {
  const { batch, state } = live;
  const { formula } = batch.plan;
  const { units } = useFormat();
  const readC = plate?.tempC ?? null;
  const { spots, placeCount, offsets } = usePlaces(live, question);
  const trim = useMemo(() => trimOf(seenPieces(state.judged)), [state.judged]);
  const others = useOthersOnPlate(batch.id, question.griddle?.id);
  const { work, nextPiece } = usePlateWork(live);
  const around = { live, times, trim, readC, offsets, placeCount, others, nextPiece };
  const counted = useCountedBy(around);

  const pieces = useMemo(() => livePieces(state.onPlate, counted), [state, counted]);
  const total = ballsMade(batch.plan, state) - state.trials.length;
  const nextPlace = freePlace([...pieces, ...others], placeCount);
  const wantedC = plateCFor(formula.bake, nextPiece);
  const nextC = counted.placeC(nextPlace ?? 1, nextPiece);
  const nextSeconds = times.timesAt(nextC, trim);
  const range = rangeAt(times.table, nextC);
  const differs = times.ready
    ? whyNotWritten({
        request: {
          ...times.request,
          setup: { ...times.request.setup, startC: { under: nextC, rest: nextC } },
        },
        ...{
          shown: nextSeconds,
          readAt:
            readC === null ? undefined : say('place {nextPlace, number}', { nextPlace: nextPlace ?? 1 }),
          use,
        },
        trimmed: trim.first.factor !== 1 || trim.later.factor !== 1,
      })
    : null;

  const act = actsOf(live, { plate, work, counted });
  const explain = (side: number): Explanation =>
    explainLive({
      ...{ side, place: nextPlace ?? 1, plateC: nextC, assumed: readC === null, units },
      shownS: nextSeconds[side] ?? 0,
      modelS: times.modelAt(nextC)[side] ?? 0,
      factor: (side === 0 ? trim.first : trim.later).factor,
    });
  return {
    explain,
    wantedC,
    heatChange: heatChange(formula.bake, nextPiece, readC),
    counted,
    /** Of the next piece's sides and fires. */
    actSeconds: counted.secondsOfNext(nextPlace ?? 1, 0),
    pieces,
    placeCount,
    nextPlace,
    nextSeconds,
    range,
    differs,
    trim,
    act,
    total,
    spots,
    others,
    griddle: question.griddle,
    failed: times.failed,
    left: work.left,
    work,
    cold: coldStore(batch.plan, state).balls,
  };
}

export type LiveGriddle = ReturnType<typeof useLiveGriddle>;
