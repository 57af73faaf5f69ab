import { type BatchState, REJECTS, type Reject } from '@kettle-scale/core/batch';
import type { Explanation } from '@kettle-scale/core/message';
import { collisionWords, cueWords, knobAdvice, notReadyWords } from '@kettle-scale/core/bake';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { type LiveBatch, useBatch } from '../../../batch/useBatch';
import { type Heard, useReading } from '../../../live/useReading';
import { sourceWords } from '../../../shared/readingWords';
import { TakeTemp, type TakenTemp, measuredBody } from '../../../shared/TakeTemp';
import { Action, PrimaryAction } from '../../../ui/input/actions';
import { AlarmBar } from '../../../ui/alarm/AlarmBar';
import { Caution } from '../../../ui/layout/Caution';
import { Choices } from '../../../ui/input/Choices';
import { Waiting } from '../../../ui/layout/Notice';
import { Screen } from '../../../ui/layout/Screen';
import { Sheet } from '../../../ui/layout/Sheet';
import { useHotLine } from '../../../ui/preferences';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { Ask, AskWord, WhySheet } from '../../../ui/layout/Why';
import { useAlarm } from '../../../ui/alarm/useAlarm';
import { useFormat } from '../../../ui/useFormat';
import { useKeys } from '../../../ui/input/useKeys';
import { useNow } from '../../../ui/useNow';
import { useWide } from '../../../ui/layout/useWide';
import { CAUTIONS } from '../griddleText';
import { JudgeRow } from './JudgeRow';
import { LivePlate } from './LivePlate';
import { type GriddleSubject, useGriddleSubject } from '../useGriddle';
import type { LivePiece } from '@kettle-scale/core/bake';
import { useLiveGriddle } from './useLiveGriddle';

const TICK_MS = 100;
const MS_PER_S = 1000;

const styles = StyleSheet.create({
  panes: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  plate: { flex: 2, gap: SPACE.m, minWidth: 0 },
  side: { flex: 1, gap: SPACE.m, minWidth: 0 },
  facts: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-end' },
  cue: { flex: 1 },
});

/** The running batch on the plate: every place with its countdown, in the order that one pair of hands can do. */
export function LiveScreen({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  const { subject, error: missing, retry: again } = useGriddleSubject();
  useHotLine();
  if (live && subject) return <LiveGriddlePage live={live} subject={subject} />;
  return (
    <Screen title="Live griddle">
      <Waiting
        what="the batch"
        error={error ?? missing}
        onRetry={() => {
          retry();
          again();
        }}
      />
    </Screen>
  );
}

/** A plate that somebody typed is believed for so long. */
const TYPED_FOR_MS = 15 * 60_000;

interface PlateRead extends TakenTemp {
  steady: boolean;
}

/** The plate as it is now: by the thermometer, else as somebody typed it lately; null where nobody knows. */
function plateNow(heard: Heard<'thermometer'> | null, state: BatchState, nowMs: number): PlateRead | null {
  if (heard?.takeable) {
    const { tempC, steady } = heard.reading;
    return { tempC, steady, source: heard.source };
  }
  const typed = state.steps
    .flatMap(({ seen }) => seen)
    .filter((event) => event.type === 'measured' && event.what === 'plate' && event.by === 'hand')
    .at(-1);
  if (typed?.type !== 'measured' || nowMs - Date.parse(typed.at) > TYPED_FOR_MS) return null;
  return { tempC: typed.tempC, steady: true, source: 'typed' };
}

function plateWords(heard: Heard<'thermometer'> | null, plate: PlateRead | null): string {
  if (plate?.source === 'typed') return 'plate, typed';
  if (!heard) return 'no thermometer';
  return `plate, ${heard.reading.steady ? 'steady' : 'moving'}, ${sourceWords(heard)}`;
}

const TITLE = { flip: 'Turn', fire: 'To the fire:', off: 'Off:' } as const;

function LiveGriddlePage({ live, subject }: { live: LiveBatch; subject: GriddleSubject }) {
  const { batch, state } = live;
  const router = useRouter();
  const format = useFormat();
  const wide = useWide();
  const nowMs = useNow(TICK_MS);
  const heard = useReading('thermometer');
  const step = state.steps.find(({ step: one }) => one.kind === 'griddle')?.step;
  const plateRead = plateNow(heard, state, nowMs);
  const griddle = useLiveGriddle(live, subject, plateRead, nowMs);
  const [rejecting, setRejecting] = useState<LivePiece | null>(null);
  const [why, setWhy] = useState<Explanation | null>(null);
  const { pieces, act, nextPlace, nextOnMs, total, left, wantedC, trim } = griddle;
  const first = pieces[0];
  const due = first && first.dueMs <= nowMs ? first : null;
  const alarm = useAlarm(due ? `${batch.id}/${due.piece}/${due.side}/${due.sinceMs}` : null);
  const isFirst = state.piecesOff === 0 && pieces.length === 0;
  const wait = isFirst ? notReadyWords(plateRead, wantedC + trim.heatC) : null;
  const allOff = left <= 0 && pieces.length === 0;
  const canPut = nextPlace !== null && left > 0;
  // Nothing is asked for while the plate is not ready; who puts a piece on all the same may.
  const putNow = canPut && wait === null && (nextOnMs ?? 0) <= nowMs && !due;

  const primary = allOff
    ? {
        label: 'All pieces are off',
        onPress: () => {
          if (step) live.act({ type: 'done', stepId: step.id });
          router.push(`/bench/${batch.id}`);
        },
      }
    : first && (!putNow || first.dueMs <= nowMs)
      ? {
          label: `${TITLE[first.next]} place ${first.place}`,
          onPress: () => act.forward(first),
        }
      : canPut
        ? { label: `Piece on, place ${nextPlace}`, onPress: () => act.on(nextPlace) }
        : null;

  const shownC = plateRead?.tempC ?? heard?.reading.tempC;
  const early = wait !== null || (!allOff && !due && !putNow);
  const onPlaceKey = (place: number) => {
    const piece = pieces.find((one) => one.place === place);
    if (piece) act.forward(piece);
    else if (left > 0 && place <= griddle.placeCount) act.on(place);
  };
  useKeys({ primary: primary?.onPress, undo: live.undo, place: onPlaceKey });

  const cue = first
    ? cueWords(
        first.side,
        batch.plan.formula.bake.sides.length,
        (nowMs - first.sinceMs) / MS_PER_S / first.sideS,
        first.flame,
      )
    : '';
  const nextWords = allOff
    ? 'All off'
    : due
      ? `${TITLE[due.next]} place ${due.place}`
      : putNow
        ? `Piece on, place ${nextPlace ?? ''}`
        : first
          ? `${TITLE[first.next]} place ${first.place} in ${Math.max(0, Math.ceil((first.dueMs - nowMs) / MS_PER_S))}\u00a0s`
          : wait
            ? 'Wait for the plate'
            : 'Nothing on the plate';
  const knob = griddle.griddle ? knobAdvice(griddle.griddle.marks, wantedC + trim.heatC) : null;
  const plate = (
    <LivePlate
      {...{ pieces, nowMs, nextPlace: canPut && wait === null ? nextPlace : null, nextOnMs }}
      placeCount={griddle.placeCount}
      spots={griddle.spots}
      onForward={act.forward}
      onPlace={(place) => left > 0 && act.on(place)}
    />
  );
  const facts = (
    <View style={styles.facts}>
      {griddle.nextSeconds.map((s, side) => (
        <Ask key={side} onPress={() => setWhy(griddle.explain(side))}>
          <Label>{`Side ${side + 1}`}</Label>
          <Figure value={String(Math.round(s))} unit="s" size={44} />
          <AskWord>{`Why ${Math.round(s)}?`}</AskWord>
        </Ask>
      ))}
      <Body style={styles.cue}>{cue}</Body>
    </View>
  );
  const words = (
    <>
      {wait ? (
        <View role="alert">
          <Heading tone="plum">{wait}</Heading>
          {knob ? <Label>{`Knob for ${format.temp(wantedC + trim.heatC)}: ${knob}.`}</Label> : null}
        </View>
      ) : null}
      {griddle.failed ? (
        <Strong tone="plum">
          The times could not be worked out on this device: these are the formula’s own seconds.
        </Strong>
      ) : null}
      {griddle.collision ? <Strong tone="ember">{collisionWords(griddle.collision)}</Strong> : null}
    </>
  );
  const judge = <JudgeRow state={state} trim={trim} onJudge={(judged) => live.act(judged)} />;
  const others = (
    <>
      {pieces.length > 0 ? (
        <Action label="Reject a piece on the plate" onPress={() => setRejecting(first ?? null)} />
      ) : null}
      <Action label="Undo" icon="undo" onPress={live.undo} disabled={!state.lastAct} />
      {step ? (
        <TakeTemp
          kind="thermometer"
          label="Plate"
          onTake={(taken) => live.act(measuredBody(step.id, 'plate', taken))}
        />
      ) : null}
      <Caution {...(first?.flame ? CAUTIONS.flame : CAUTIONS.plate)} />
      {griddle.griddle?.nonStick ? <Caution {...CAUTIONS.nonStick} /> : null}
    </>
  );
  return (
    <Screen
      fill
      eyebrow={`${batch.plan.formula.name} · ${state.piecesOff} of ${total} off`}
      title={nextWords}
      aside={
        <View>
          <Figure
            value={shownC === undefined ? '–' : format.temp(shownC)}
            size={36}
            tone={plateRead ? 'ember' : 'soot'}
          />
          <Label>{plateWords(heard, plateRead)}</Label>
        </View>
      }
      foot={primary ? <PrimaryAction {...primary} quiet={early} /> : undefined}
    >
      {due && alarm.ringing ? (
        <AlarmBar words={`${TITLE[due.next]} place ${due.place} now`} onAct={alarm.quiet} />
      ) : null}
      {wide ? (
        <View style={styles.panes}>
          <View style={styles.plate}>
            {words}
            {plate}
          </View>
          <View style={styles.side}>
            {facts}
            {judge}
            {others}
          </View>
        </View>
      ) : (
        <>
          {words}
          {plate}
          {facts}
          {judge}
          {others}
        </>
      )}
      <WhySheet why={why} onClose={() => setWhy(null)} />
      <Sheet open={rejecting !== null} onClose={() => setRejecting(null)} label="Reject">
        <Heading>Which piece, and why?</Heading>
        <Choices
          label="Place"
          value={rejecting ? String(rejecting.place) : null}
          options={[...pieces]
            .sort((a, b) => a.place - b.place)
            .map(({ place }) => [String(place), String(place)] as const)}
          onChange={(place) => setRejecting(pieces.find((one) => String(one.place) === place) ?? null)}
        />
        <Choices<Reject>
          label="Reason"
          value={null}
          options={REJECTS.map((reason) => [reason, reason] as const)}
          onChange={(reason) => {
            if (rejecting) act.reject(rejecting, reason);
            setRejecting(null);
          }}
        />
      </Sheet>
    </Screen>
  );
}
