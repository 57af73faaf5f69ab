import type { BatchState, EventBody } from '@kettle-scale/core/batch';
import type { Explanation } from '@kettle-scale/core/message';
import { bakePhases } from '@kettle-scale/core/formula';
import type { Plan } from '@kettle-scale/core/plan';
import {
  type BakeRequest,
  type Timed,
  type Trim,
  collision,
  nextOnMs,
  placeOffsetsC,
  seenPieces,
  trimOf,
  trimmedSeconds,
} from '@kettle-scale/core/bake';
import { useMemo } from 'react';
import { useGriddleWork } from '../../../workers/griddleQueries';
import type { LiveBatch } from '../../../batch/useBatch';
import type { TakenTemp } from '../../../shared/TakeTemp';
import type { PlateTimes } from '../../../workers/griddleWork';
import { GAP_MM, breadDiameterMm, placesOf, requestOf, spreadsOf } from '../griddleSetup';
import type { GriddleSubject } from '../useGriddle';

/** Times are worked out for plates so far around what is wanted, every so many degrees, and read between them. */
const AROUND_C = 40;
const EVERY_C = 10;
const MS_PER_S = 1000;
/** Keys 1 to 9 reach so many places. */
const MOST_PLACES = 9;
/** Where the kitchen has told of no plate. */
const USUAL_PLACES = 4;
/** A proposal is looked for from the last act on, but not further back than this. */
const STANDS_MS = 60_000;
/** Freckles come late and fast: their cover rises about with this power of the time. */
const COVER_RISES = 4;
/** Of the seconds that a side ran over, so much has been done for the other one. */
const CARRIED_OVER = 0.5;
/** A second side is never cut to less than this share of its plan. */
const LEAST_SECOND = 0.4;

export interface LivePiece extends Timed {
  place: number;
  side: number;
  onMs: number;
  sinceMs: number;
  /** Fires come after the sides. */
  flame: boolean;
  /** Freckles that the first side shows, percent: as many as the product asks for, more when it lay longer. */
  cover: number;
  /** What is done next: turn it, to the fire, or off. */
  next: 'flip' | 'fire' | 'off';
}

/** A request for the batch's own bread on the plate as it is wanted. */
function liveRequest(plan: Plan, flattened: BatchState['flattened'], subject: GriddleSubject): BakeRequest {
  return requestOf({
    formula: plan.formula,
    foods: plan.ingredients as GriddleSubject['foods'],
    kitchen: subject.kitchen,
    griddle: subject.griddle,
    plateC: plan.formula.bake.plateC,
    thicknessMm: flattened?.thicknessMm ?? plan.relaxed.thicknessMm,
    doughC: subject.doughC,
    altitudeM: subject.kitchen.altitudeM ?? 0,
  });
}

type TimesTable = Pick<PlateTimes, 'plateC' | 'seconds'> & Partial<PlateTimes>;

/** Rows on both sides of a plate temperature, and how far it lies between them. */
function rowsAround<T extends { plateC: number }>(
  table: readonly T[],
  plateC: number,
): [T, T, number] | null {
  const first = table[0];
  if (!first) return null;
  const above = table.findIndex((row) => row.plateC >= plateC);
  const high = above < 0 ? (table.at(-1) ?? first) : (table[above] ?? first);
  const low = above <= 0 ? high : (table[above - 1] ?? high);
  return [low, high, high.plateC === low.plateC ? 0 : (plateC - low.plateC) / (high.plateC - low.plateC)];
}

/** Seconds of the sides at a plate temperature, between those that were worked out. */
export function secondsAt(table: readonly TimesTable[], plateC: number): number[] {
  const around = rowsAround(table, plateC);
  if (!around) return [];
  const [low, high, share] = around;
  return high.seconds.map((s, side) => (low.seconds[side] ?? s) + share * (s - (low.seconds[side] ?? s)));
}

/** The second side after a first of so many seconds, read along a row; beyond its ends as at them. */
function alongRow(after: PlateTimes['after'], firstS: number): number {
  const [start, end] = [after[0], after.at(-1)];
  if (!start || !end) return 0;
  if (firstS <= start[0]) return start[1];
  const next = after.findIndex(([s]) => s >= firstS);
  const [high, low] = [after[next] ?? end, after[next - 1] ?? end];
  return high[0] === low[0]
    ? high[1]
    : low[1] + ((firstS - low[0]) / (high[0] - low[0])) * (high[1] - low[1]);
}

/** What the second side takes after a first of so many seconds; null where that was not worked out. */
export function secondAfter(table: readonly TimesTable[], plateC: number, firstS: number): number | null {
  const around = rowsAround(table, plateC);
  if (!around) return null;
  const [low, high, share] = around;
  if (!low.after?.length || !high.after?.length) return null;
  return (1 - share) * alongRow(low.after, firstS) + share * alongRow(high.after, firstS);
}

interface Turned {
  table: readonly TimesTable[];
  plateC: number;
  /** What each side was meant to take. */
  seconds: readonly number[];
  /** The side that lies down now, what it was meant to take, and how long the one before it really lay. */
  side: number;
  sideS: number;
  before: number;
}

/**
 * What a side takes after one that was turned early or late: by the model where one flip was worked out, else half of what
 * ran over is taken off.
 */
export function afterTurn({ table, plateC, seconds, side, sideS, before }: Turned): number {
  const meant = seconds[side - 2] ?? before;
  const [modelFirst, modelSecond] = secondsAt(table, plateC);
  const second = side === 2 && modelFirst ? secondAfter(table, plateC, modelFirst * (before / meant)) : null;
  const turned =
    second && modelSecond ? sideS * (second / modelSecond) : sideS - CARRIED_OVER * (before - meant);
  return Math.max(LEAST_SECOND * sideS, turned);
}

/** What was judged before a piece went on: its times never change under it. */
const trimBefore = (state: BatchState, onMs: number): Trim =>
  trimOf(seenPieces(state.judged.filter(({ at }) => Date.parse(at) <= onMs)));

export function useLiveGriddle(
  live: LiveBatch,
  subject: GriddleSubject,
  plate: TakenTemp | null,
  nowMs: number,
) {
  const { batch, state } = live;
  const { formula } = batch.plan;
  const griddle = subject.griddle;
  const readC = plate?.tempC ?? null;
  const request = useMemo(
    () => liveRequest(batch.plan, state.flattened, subject),
    [batch.plan, state.flattened, subject],
  );
  const wantedC = formula.bake.plateC;
  const plates = useMemo(
    () => Array.from({ length: (2 * AROUND_C) / EVERY_C + 1 }, (_, i) => wantedC - AROUND_C + i * EVERY_C),
    [wantedC],
  );
  const table = useGriddleWork('times', { request, platesC: plates });
  const planned = formula.bake.sides.map(({ seconds }) => seconds);
  const nominal = table.data ? secondsAt(table.data, wantedC) : planned;
  const robust = useGriddleWork(
    'robust',
    table.data ? { request, spreads: spreadsOf(formula, null), seconds: nominal } : null,
  );
  /** Most pieces want a little longer than the mean one does; the ratio holds at other heats too. */
  const ratios = nominal.map((s, side) =>
    robust.data && robust.data.share > robust.data.givenShare ? (robust.data.seconds[side] ?? s) / s : 1,
  );

  const diameterMm = breadDiameterMm(
    formula,
    batch.plan.ingredients as GriddleSubject['foods'],
    batch.plan.relaxed.thicknessMm,
  );
  const spots = placesOf(griddle, diameterMm);
  const placeCount = Math.min(MOST_PLACES, Math.max(1, griddle ? spots.length : USUAL_PLACES));
  const offsets = griddle ? placeOffsetsC(griddle, spots) : [];
  const trim = trimOf(seenPieces(state.judged));

  const timesFor = (plateC: number, by: Trim): number[] => {
    const solved = table.data ? secondsAt(table.data, plateC) : planned;
    return trimmedSeconds(
      solved.map((s, side) => s * (ratios[side] ?? 1)),
      by,
    );
  };
  const plateAtPlace = (place: number) => (readC ?? wantedC) + (offsets[place - 1] ?? 0);
  const phases = bakePhases(formula.bake);

  const pieces = state.onPlate.map((one, index): LivePiece => {
    const place = one.place ?? index + 1;
    const hereC = one.plateC ?? plateAtPlace(place);
    const seconds = timesFor(hereC, trimBefore(state, one.onMs));
    const phase = phases[one.side - 1];
    const isFire = phase?.flame ?? false;
    let sideS = isFire ? (phase?.seconds ?? 0) : (seconds[one.side - 1] ?? phase?.seconds ?? 0);
    const before = one.doneS.at(-1);
    if (!isFire && before !== undefined && one.side > 1) {
      sideS = afterTurn({ table: table.data ?? [], plateC: hereC, seconds, side: one.side, sideS, before });
    }
    const following = phases[one.side];
    return {
      ...{ piece: one.piece, place, side: one.side, onMs: one.onMs, sinceMs: one.sinceMs, sideS },
      dueMs: one.sinceMs + sideS * MS_PER_S,
      flame: isFire,
      cover: request.standard.coverAim * Math.min(2, (one.doneS[0] ?? 0) / (seconds[0] ?? 1)) ** COVER_RISES,
      next: following ? (following.flame ? 'fire' : 'flip') : 'off',
    };
  });
  pieces.sort((a, b) => a.dueMs - b.dueMs);

  const total = state.divided?.pieces ?? batch.plan.pieces;
  const begun = state.piecesOff + state.onPlate.length;
  const free = Array.from({ length: placeCount }, (_, i) => i + 1).filter(
    (place) => !pieces.some((piece) => piece.place === place),
  );
  const lastActMs = Math.max(0, ...state.onPlate.map(({ sinceMs }) => sinceMs));
  const nextPlace = free[0] ?? null;
  const nextSeconds = timesFor(plateAtPlace(nextPlace ?? 1), trim);
  const busy = [...pieces, { dueMs: lastActMs }];
  // Counted from the last act it stands still; once it has passed, the next free moment from now.
  const afterLast = nextOnMs(busy, nextSeconds, Math.max(lastActMs, nowMs - STANDS_MS));
  const onMs =
    nextPlace === null || begun >= total
      ? null
      : afterLast >= nowMs
        ? afterLast
        : nextOnMs(busy, nextSeconds, nowMs);

  const act = {
    on: (place: number) => {
      const used = new Set([
        ...state.onPlate.map(({ piece }) => piece),
        ...state.baked.map(({ piece }) => piece),
      ]);
      let piece = begun + 1;
      while (used.has(piece)) piece += 1;
      const plateC = Math.round(plateAtPlace(place) * 10) / 10;
      live.act({
        ...{ type: 'piece-on', piece, place },
        ...(plate ? { plateC, source: plate.source } : {}),
      });
    },
    forward: (one: LivePiece) =>
      live.act(
        one.next === 'off'
          ? { type: 'piece-off', piece: one.piece }
          : { type: 'flipped', piece: one.piece, side: one.side + 1 },
      ),
    reject: (one: LivePiece, reason: Extract<EventBody, { type: 'rejected' }>['reason']) =>
      live.act({ type: 'piece-off', piece: one.piece }, { type: 'rejected', pieces: 1, reason }),
  };
  const explain = (side: number): Explanation => {
    const plateC = plateAtPlace(nextPlace ?? 1);
    const model = (table.data ? secondsAt(table.data, plateC) : planned)[side] ?? 0;
    const factor = side === 0 ? trim.first.factor : trim.later.factor;
    const shown = nextSeconds[side] ?? 0;
    return {
      title: `Side ${side + 1} of the next piece`,
      value: `${Math.round(shown)} s`,
      equation:
        'Seconds of the model at this plate × what keeps most pieces in standard × what you said of the last ones',
      inputs: [
        {
          label: `Plate at place ${nextPlace ?? 1}`,
          value: `${Math.round(plateC)} °C${readC === null ? ' (wanted, not read)' : ''}`,
        },
        { label: 'Model', value: `${model.toFixed(1)} s` },
        { label: 'For most pieces', value: `× ${(ratios[side] ?? 1).toFixed(2)}` },
        { label: 'Your taps', value: `× ${factor.toFixed(2)}` },
      ],
      changes: [
        'A hotter plate shortens it, a colder one lengthens it; a tap of pale or dark moves it by 3 to 12 %.',
        'A side that was turned late shortens the next one, as far as it would dry out or char otherwise.',
      ],
    };
  };
  return {
    explain,
    ...{
      request,
      wantedC,
      pieces,
      placeCount,
      nextPlace,
      nextSeconds,
      trim,
      act,
      total,
      phases,
      griddle,
      spots,
      diameterMm,
    },
    ready: table.data !== undefined,
    /** The model could not be asked: the formula's own seconds stand in. */
    failed: table.isError,
    collision: collision(pieces, nowMs),
    nextOnMs: onMs,
    left: total - begun,
    gapMm: GAP_MM,
  };
}
