import { say } from '../../../reader/say';
import { type LivePiece, type PlateStands, doubtOf, handsNow, notReadyWords } from '@kettle-scale/core/bake';
import { useRouter } from 'expo-router';
import { type ReactNode, memo, useCallback, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { useReading } from '../../../live/useReading';
import { AlarmBar } from '../../../ui/alarm/AlarmBar';
import { useAlarm } from '../../../ui/alarm/useAlarm';
import { ActionRow, PrimaryAction } from '../../../ui/input/actions';
import { useKeys } from '../../../ui/input/useKeys';
import { Screen } from '../../../ui/layout/Screen';
import { UndoneBar } from '../../../shared/UndoneBar';
import { useWide } from '../../../ui/layout/useWide';
import { SPACE } from '../../../ui/tokens';
import { Figure, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { LOOK_MS, useSampled } from '../../../ui/useSampled';
import type { GriddleSubject } from '../useGriddle';
import { type Doubt, DoubtSheet } from './DoubtSheet';
import { BesidePlate } from './BesidePlate';
import { LiveWords } from './LiveFacts';
import { LivePlate } from './LivePlate';
import { RejectSheet } from './RejectSheet';
import { forwardWords, putWords, titleWords } from './handsWords';
import { type PlateRead, plateNow, plateWords, typedPlateC } from './plateNow';
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

/** The act that takes the batch forward now, by button, pedal or key; null while there is none. */
function useForward(
  live: LiveBatch,
  griddle: LiveGriddle,
  act: ReturnType<typeof handsNow>['act'],
  first: LivePiece | undefined,
  onForward: (piece: LivePiece) => void,
) {
  const router = useRouter();
  if (act === 'forward' && first) return { label: forwardWords(first), onPress: () => onForward(first) };
  if (act === 'put' && griddle.nextPlace !== null) {
    const place = griddle.nextPlace;
    return { label: putWords(place), onPress: () => griddle.act.on(place) };
  }
  if (act !== 'finish') return null;
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
function LiveTitle({ stands }: { stands: Stands }) {
  return <>{say(useSampled((nowMs) => stoodWords(stands, nowMs), LOOK_MS))}</>;
}

interface PageProps {
  live: LiveBatch;
  subject: GriddleSubject;
}

/** Listens to the thermometer; what stands on the page is worked out again when the plate has moved by a degree. */
export function LiveGriddlePage({ live, subject }: PageProps) {
  const typedC = useSampled((nowMs) => typedPlateC(live.state, nowMs), LOOK_MS);
  const read = plateNow(useReading('thermometer'), typedC);
  const [tempC, steady, source] = [read ? Math.round(read.tempC) : null, read?.steady, read?.source];
  const plate = useMemo(
    () => (tempC === null || !source ? null : { tempC, steady: steady ?? false, source }),
    [tempC, steady, source],
  );
  return <PlateAtWork {...{ live, subject, plate, typedC }} />;
}

interface RejectOrUndoProps {
  live: LiveBatch;
  pieces: readonly LivePiece[];
  ear: ReturnType<typeof useLiveVoice>;
  onReject: () => void;
}

function RejectOrUndo({ live, pieces, ear, onReject }: RejectOrUndoProps) {
  return (
    <ActionRow
      actions={[
        ...(ear.voice.on ? [{ key: 'quiet', label: 'Quiet', onPress: ear.voice.quiet }] : []),
        ...(ear.listens ? [{ key: 'deaf', label: 'Stop listening', onPress: ear.stop }] : []),
        {
          key: 'reject',
          label: 'Reject',
          onPress: onReject,
          disabled: pieces.length === 0,
        },
        { key: 'undo', label: 'Undo', icon: 'undo', onPress: live.undo, disabled: !live.state.lastAct },
      ]}
    />
  );
}

interface DueBarProps {
  /** The piece that is at its time. */
  piece: LivePiece | undefined;
  alarm: ReturnType<typeof useAlarm>;
}

const DueBar = ({ piece, alarm }: DueBarProps) =>
  piece && alarm.ringing ? <AlarmBar words="Now" about={forwardWords(piece)} onAct={alarm.quiet} /> : null;

interface AtWorkProps extends PageProps {
  plate: PlateRead | null;
  typedC: number | null;
}

const offWords = (name: string, off: number, total: number): string =>
  say('{name} · {off, number}/{total, number}', { name, off, total });

const PlateAtWork = memo(function PlateAtWork({ live, subject, plate, typedC }: AtWorkProps) {
  const { batch, state } = live;
  const griddle = useLiveGriddle(live, subject, plate);
  const [rejecting, setRejecting] = useState<LivePiece | null>(null);
  const { pieces, act, nextPlace, nextSeconds, total, left } = griddle;
  const [doubt, setDoubt] = useState<Doubt | null>(null);
  const endDoubt = useCallback(() => setDoubt(null), []);
  const isFirst = state.piecesOff === 0 && pieces.length === 0;
  const wait = isFirst ? notReadyWords(plate, griddle.wantedC + griddle.trim.heatC) : null;
  const { others } = griddle;
  const stands = { pieces, left, nextPlace, nextSeconds, waiting: wait !== null, others };
  const hands = useSampled((nowMs) => ({ ...handsNow(stands, nowMs) }), LOOK_MS);
  const first = pieces.find(({ piece }) => piece === hands.piece);
  const forward = (piece: LivePiece) => {
    const atMs = Date.now();
    const kind = doubtOf(piece, atMs);
    if (kind) setDoubt({ piece, kind, atMs });
    else act.forward(piece, atMs);
  };
  const dueKey = hands.due && first ? `${batch.id}/${first.piece}/${first.side}/${first.sinceMs}` : null;
  const alarm = useAlarm(dueKey);
  const primary = useForward(live, griddle, hands.act, first, forward);
  const early = wait !== null || (hands.act !== 'finish' && !hands.due && !hands.putNow);
  const onPlace = (place: number) => {
    const piece = pieces.find((one) => one.place === place);
    if (piece) forward(piece);
    else if (left > 0 && place <= griddle.placeCount && !others.some((one) => one.place === place))
      act.on(place);
  };
  useKeys({ primary: primary?.onPress, undo: live.undo, place: onPlace });
  const wordsAt = (nowMs: number) => say(stoodWords(stands, nowMs));
  const ear = useLiveVoice({ hands, wordsAt, done: primary?.onPress, undo: live.undo });
  return (
    <Screen
      fill
      eyebrow={offWords(batch.plan.formula.name, state.piecesOff, total)}
      title={<LiveTitle stands={stands} />}
      aside={<PlateHeat typedC={typedC} />}
      foot={
        <>
          <UndoneBar />
          <DueBar piece={hands.due ? first : undefined} alarm={alarm} />
          <RejectOrUndo
            {...{ live, pieces, ear }}
            onReject={() => setRejecting(first ?? pieces[0] ?? null)}
          />
          {primary ? <PrimaryAction {...primary} quiet={early} /> : null}
        </>
      }
    >
      <Panes
        plate={
          <>
            <LiveWords griddle={griddle} wait={wait} />
            <LivePlate
              {...{ pieces, onPlace }}
              sides={batch.plan.formula.bake.sides.length}
              nextPlace={
                left > 0 && wait === null && (hands.putNow || hands.nextOnMs !== 0) ? nextPlace : null
              }
              nextOnMs={hands.nextOnMs}
              placeCount={griddle.placeCount}
              spots={griddle.spots}
              onForward={forward}
              others={others}
            />
          </>
        }
        side={<BesidePlate {...{ live, griddle, first }} care={left > 0 && !hands.due} />}
      />
      <DoubtSheet
        doubt={doubt}
        onForward={act.forward}
        onBurnt={(piece) => act.reject(piece, 'burnt')}
        onClose={endDoubt}
      />
      <RejectSheet pieces={pieces} piece={rejecting} onPiece={setRejecting} onReject={act.reject} />
    </Screen>
  );
});
