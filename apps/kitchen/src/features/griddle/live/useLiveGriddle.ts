import type { BatchState, EventBody } from '@kettle-scale/core/batch';
import type { Explanation } from '@kettle-scale/core/message';
import { bakePhases } from '@kettle-scale/core/formula';
import type { Plan } from '@kettle-scale/core/plan';
import {
  type BakeRequest,
  type LivePiece,
  type Trim,
  collision,
  freePlace,
  livePieces,
  nextPieceMs,
  nextPieceNumber,
  placeOffsetsC,
  secondsAt,
  seenPieces,
  trimOf,
  trimmedSeconds,
} from '@kettle-scale/core/bake';
import { useMemo } from 'react';
import { useGriddleWork } from '../../../workers/griddleQueries';
import type { LiveBatch } from '../../../batch/useBatch';
import type { TakenTemp } from '../../../shared/TakeTemp';
import { GAP_MM, breadDiameterMm, placesOf, requestOf, spreadsOf } from '../griddleSetup';
import type { GriddleSubject } from '../useGriddle';

/** Times are worked out for plates so far around what is wanted, every so many degrees, and read between them. */
const AROUND_C = 40;
const EVERY_C = 10;
/** Keys 1 to 9 reach so many places. */
const MOST_PLACES = 9;
/** Where the kitchen has told of no plate. */
const USUAL_PLACES = 4;

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

  const pieces = livePieces(state.onPlate, {
    phases,
    table: table.data ?? [],
    coverAim: request.standard.coverAim,
    placeC: plateAtPlace,
    secondsFor: (plateC, onMs) => timesFor(plateC, trimBefore(state, onMs)),
  });

  const total = state.divided?.pieces ?? batch.plan.pieces;
  const begun = state.piecesOff + state.onPlate.length;
  const nextPlace = freePlace(pieces, placeCount);
  const nextSeconds = timesFor(plateAtPlace(nextPlace ?? 1), trim);
  const onMs = nextPlace === null || begun >= total ? null : nextPieceMs(pieces, nextSeconds, nowMs);

  const act = {
    on: (place: number) => {
      const used = [...state.onPlate, ...state.baked].map((one) => one.piece);
      const piece = nextPieceNumber(used, begun);
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
