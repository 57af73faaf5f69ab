import { say } from '../../../reader/say';
import {
  type HandsNow,
  type LivePiece,
  type PlateStands,
  doubtOf,
  handsNow,
  isLongPast,
  notReadyWords,
} from '@kettle-scale/core/bake';
import { useRouter } from 'expo-router';
import { type ReactNode, memo, useCallback, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { useReading } from '../../../live/useReading';
import { useAlarm } from '../../../ui/alarm/useAlarm';
import { useKeys } from '../../../ui/input/useKeys';
import { Screen } from '../../../ui/layout/Screen';
import { useWide } from '../../../ui/layout/useWide';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { LOOK_MS, useSampled } from '../../../ui/useSampled';
import type { BakeTimes } from '../../../shared/useBakeTimes';
import { AwaySheet } from './AwaySheet';
import { type Doubt, DoubtSheet } from './DoubtSheet';
import { BesidePlate } from './BesidePlate';
import { LiveFoot } from './LiveFoot';
import { LiveWords } from './LiveFacts';
import { LivePlate } from './LivePlate';
import { RejectSheet } from './RejectSheet';
import { actWords, nextAct, titleWords, whenWords } from './handsWords';
import { type PlateRead, plateNow, plateWords, typedPlateC } from './plateNow';
import { goodPieces, piecesMade } from '@kettle-scale/core/batch';
import { type ByItself, useByItself } from './useByItself';
import { useCountedVoice } from './useCountedVoice';
import { type LiveTimes, useLiveTimes } from './liveTimes';
import { type LiveGriddle, useLiveGriddle } from './useLiveGriddle';
import { useLiveVoice } from './useLiveVoice';

const styles = StyleSheet.create({
  panes: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  plate: { flex: 2, gap: SPACE.m, minWidth: 0 },
  side: { flex: 1, gap: SPACE.m, minWidth: 0 },
});

/** The plate, the words on it and the facts beside it: one below the other on a phone. */
function Panes({ plate, side }: { plate: ReactNode; side: ReactNode }) {
  const wide = useWide();
  return wide ? (
    <View style={styles.panes}>
      <View style={styles.plate}>{plate}</View>
      <View style={styles.side}>{side}</View>
    </View>
  ) : (
    <>
      {plate}
      {side}
    </>
  );
}

/** The act that takes the batch forward, by button, pedal or key, named as the headline names it; null while there is none. */
function useForward(
  live: LiveBatch,
  griddle: LiveGriddle,
  hands: Pick<HandsNow, 'act' | 'due' | 'putNow' | 'nextOnMs'>,
  first: LivePiece | undefined,
  onForward: (piece: LivePiece) => void,
) {
  const router = useRouter();
  const { nextPlace } = griddle;
  const next = nextAct(hands, { first, nextPlace });
  if (hands.act === 'forward' && first && next) return { label: next.words, onPress: () => onForward(first) };
  if (hands.act === 'put' && nextPlace !== null && next)
    return { label: next.words, onPress: () => griddle.act.on(nextPlace) };
  if (hands.act !== 'finish') return null;
  if (griddle.cold) {
    const { pieces } = griddle.cold;
    return {
      label: say('Take out {pieces, number} balls', { pieces }),
      onPress: () => live.act({ type: 'taken-out', pieces }),
    };
  }
  const finish = () => {
    const step = live.state.steps.find(({ step: one }) => one.kind === 'griddle')?.step;
    if (step) live.act({ type: 'done', stepId: step.id });
    router.push(`/bench/${live.batch.id}`);
  };
  return { label: 'All pieces are off', onPress: finish };
}

/** The plate's heat as it is read, or that nobody reads it; it listens by itself, to be drawn by itself. */
function PlateHeat({ typedC }: { typedC: number | null }) {
  const format = useFormat();
  const heard = useReading('thermometer');
  const plate = plateNow(heard, typedC);
  const shownC = plate?.tempC ?? heard?.reading.tempC;
  return (
    <View role="group" aria-label={say('Plate')}>
      <Figure
        value={shownC === undefined ? '–' : format.temp(shownC)}
        size={36}
        tone={plate ? 'ember' : 'soot'}
      />
      <Label>{plateWords(heard, plate)}</Label>
    </View>
  );
}

type Stands = Omit<PlateStands, 'pieces'> & { pieces: readonly LivePiece[] };

/** What comes next as the plate stands at an instant. */
function stoodWords(stands: Stands, nowMs: number): string {
  const { pieces, nextPlace, waiting } = stands;
  const hands = handsNow(stands, nowMs);
  const first = pieces.find(({ piece }) => piece === hands.piece);
  return titleWords(hands, { first, nextPlace, waiting }, nowMs);
}

/** What comes next; it alone follows the clock, second by second. */
function LiveTitle({ stands, counted }: { stands: Stands; counted: ByItself['next'] }) {
  const words = (nowMs: number): string =>
    counted
      ? whenWords({ words: actWords(counted.kind, counted.place), atMs: counted.atMs }, nowMs)
      : stoodWords(stands, nowMs);
  return <>{say(useSampled(words, LOOK_MS))}</>;
}

interface PageProps {
  live: LiveBatch;
  /** The seconds that hold for this bread on this plate. */
  inUse: BakeTimes;
}

/** Listens to the thermometer; what stands on the page is worked out again when the plate has moved by a degree. */
export function LiveGriddlePage({ live, inUse }: PageProps) {
  const typedC = useSampled((nowMs) => typedPlateC(live.state, nowMs), LOOK_MS);
  const read = plateNow(useReading('thermometer'), typedC);
  const [tempC, steady, source] = [read ? Math.round(read.tempC) : null, read?.steady, read?.source];
  const plate = useMemo(
    () => (tempC === null || !source ? null : { tempC, steady: steady ?? false, source }),
    [tempC, steady, source],
  );
  const times = useLiveTimes(inUse.question, tempC);
  // Other seconds are never shown first: a hand would follow them.
  if (!times.ready && !times.failed) {
    return (
      <Screen title="Live griddle">
        <Body tone="soot">Working out the seconds …</Body>
      </Screen>
    );
  }
  return <PlateAtWork live={live} inUse={inUse} times={times} plate={plate} typedC={typedC} />;
}

interface AtWorkProps extends PageProps {
  times: LiveTimes;
  plate: PlateRead | null;
  typedC: number | null;
}

/** Which bread, and how many of it are good; waste is none of them. */
function offWords({ batch, state }: LiveBatch, total: number): string {
  const { name } = batch.plan.formula;
  const off = goodPieces(state);
  const waste = piecesMade(state) - off;
  return waste > 0
    ? say('{name} · {off, number}/{total, number} · {waste, number} waste', { name, off, total, waste })
    : say('{name} · {off, number}/{total, number}', { name, off, total });
}

/** What is asked before an act on a piece: nothing where it is plain. */
function useDoubt(griddle: LiveGriddle) {
  const [doubt, setDoubt] = useState<Doubt | null>(null);
  const end = useCallback(() => setDoubt(null), []);
  const forward = (piece: LivePiece) => {
    const atMs = Date.now();
    const kind = doubtOf(piece, atMs);
    if (!kind) return griddle.act.forward(piece, atMs);
    setDoubt({ piece, kind, atMs, past: griddle.pieces.filter((one) => isLongPast(one, atMs)) });
  };
  return { doubt, end, forward };
}

const PlateAtWork = memo(function PlateAtWork({ live, inUse, times, plate, typedC }: AtWorkProps) {
  const { batch, state } = live;
  const griddle = useLiveGriddle(live, inUse, times, plate);
  const [rejecting, setRejecting] = useState<LivePiece | null>(null);
  const { pieces, act, nextPlace, total, left, others } = griddle;
  const { doubt, end, forward } = useDoubt(griddle);
  const byItself = useByItself(live, griddle);
  const isFirst = state.piecesOff === 0 && pieces.length === 0;
  const wait = isFirst ? notReadyWords(plate, griddle.wantedC + griddle.trim.heatC) : null;
  const stands = {
    pieces,
    left,
    nextPlace,
    nextSeconds: griddle.actSeconds,
    waiting: wait !== null,
    others,
  };
  const hands = useSampled((nowMs) => ({ ...handsNow(stands, nowMs) }), LOOK_MS);
  const first = pieces.find(({ piece }) => piece === hands.piece);
  const due = hands.due && !byItself.active ? first : undefined;
  const alarm = useAlarm(due ? `${batch.id}/${due.piece}/${due.side}/${due.sinceMs}` : null);
  const primary = useForward(live, griddle, hands, first, forward);
  const early = wait !== null || (hands.act !== 'finish' && !hands.due && !hands.putNow);
  const onPlace = (place: number) => {
    const piece = pieces.find((one) => one.place === place);
    if (piece) forward(piece);
    else if (left > 0 && place <= griddle.placeCount && !others.some((one) => one.place === place))
      act.on(place);
  };
  const main = byItself.active && hands.act !== 'finish' ? byItself.late : primary?.onPress;
  const undo = byItself.active ? byItself.late : live.undo;
  useKeys({ primary: main, undo, place: onPlace });
  const wordsAt = (nowMs: number) => say(stoodWords(stands, nowMs));
  const ear = useLiveVoice({ hands, wordsAt, done: main, undo, silent: byItself.active });
  useCountedVoice(byItself.active && byItself.away === null ? byItself.next : null);
  const mayPut = left > 0 && wait === null && (hands.putNow || hands.nextOnMs !== 0);
  return (
    <Screen
      fill
      eyebrow={offWords(live, total)}
      title={<LiveTitle stands={stands} counted={byItself.next} />}
      aside={<PlateHeat typedC={typedC} />}
      foot={
        <LiveFoot
          live={live}
          griddle={griddle}
          byItself={byItself}
          ear={ear}
          alarm={alarm}
          due={due}
          primary={primary}
          early={early}
          waiting={wait !== null}
          ended={hands.act === 'finish'}
          onReject={() => setRejecting(first ?? pieces[0] ?? null)}
        />
      }
    >
      <Panes
        plate={
          <>
            <LiveWords griddle={griddle} wait={wait} />
            <LivePlate
              pieces={pieces}
              onPlace={onPlace}
              others={others}
              sides={batch.plan.formula.bake.sides.length}
              nextPlace={mayPut ? nextPlace : null}
              nextOnMs={hands.nextOnMs}
              placeCount={griddle.placeCount}
              spots={griddle.spots}
              onForward={forward}
            />
          </>
        }
        side={
          <BesidePlate
            live={live}
            griddle={griddle}
            first={first}
            byItself={byItself}
            care={left > 0 && !hands.due}
          />
        }
      />
      <DoubtSheet
        doubt={doubt}
        onForward={act.forward}
        onInTime={act.inTime}
        onBurnt={act.burnt}
        onClose={end}
      />
      <AwaySheet byItself={byItself} />
      <RejectSheet pieces={pieces} piece={rejecting} onPiece={setRejecting} onReject={act.reject} />
    </Screen>
  );
});
