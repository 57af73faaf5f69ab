import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';
import { type BatchState, type StepState, batchRecord } from '@kettle-scale/core/batch';
import type { StepKind } from '@kettle-scale/core/plan';

import { useRouter } from 'expo-router';
import { type ReactNode, useEffect } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { type LiveBatch, useBatch } from '../../batch/useBatch';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { SPACE } from '../../ui/tokens';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { BigFigure, Body, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useWide } from '../../ui/layout/useWide';
import { useKeys } from '../../ui/input/useKeys';
import { openSpeakerOnFirstTouch } from '../../ui/alarm/alarm';
import { BatchSide } from './BatchSide';
import { RefusedActs } from './RefusedActs';
import { CoinsStep } from './steps/CoinsStep';
import { DivideStep } from './steps/DivideStep';
import { FinishStep } from './steps/FinishStep';
import { FlattenStep } from './steps/FlattenStep';
import { GriddleStep } from './steps/GriddleStep';
import { KneadStep } from './steps/KneadStep';
import { MixStep } from './steps/MixStep';
import { PauseStep } from './steps/PauseStep';
import { RestStep } from './steps/RestStep';
import { WeighStep } from './steps/WeighStep';
import { useKeepAwake } from '../../ui/useKeepAwake';
import { useStepWidth } from './useStepWidth';
import { keepApp } from '../../live/appUpdates';

const SIDE_WIDTH = 400;

const styles = StyleSheet.create({
  panes: { flex: 1, flexDirection: 'row' },
  step: { flex: 1, minWidth: 0 },
  side: { width: SIDE_WIDTH, flexGrow: 0, flexShrink: 0 },
  sideContent: { padding: SPACE.m, paddingTop: SPACE.l },
});

type StepView = (live: LiveBatch, now: StepState) => ReactNode;

const VIEWS: Record<StepKind, StepView> = {
  weigh: (live, { step }) => <WeighStep live={live} step={step} />,
  mix: (live, now) => <MixStep live={live} now={now} />,
  knead: (live, now) => <KneadStep live={live} now={now} />,
  pause: (live, now) => <PauseStep live={live} now={now} />,
  rest: (live, now) => <RestStep live={live} now={now} />,
  divide: (live, { step }) => <DivideStep live={live} step={step} />,
  coins: (live, { step }) => <CoinsStep live={live} step={step} />,
  flatten: (live, { step }) => <FlattenStep live={live} step={step} />,
  griddle: (live, { step }) => <GriddleStep live={live} step={step} />,
  finish: (live, { step }) => <FinishStep live={live} step={step} />,
};

function Over({ live }: { live: LiveBatch }) {
  const router = useRouter();
  const width = useStepWidth();
  const format = useFormat();
  const { batch, state } = live;
  const record = batchRecord(batch.plan, state);
  const { benchStepG } = batch.plan.kitchen;
  const toLog = () => router.replace(`/log/${batch.id}`);
  useKeys({ primary: toLog, undo: live.undo });
  const finished = state.status === 'finished';
  return (
    <Screen
      fill
      eyebrow={batch.plan.formula.name}
      title={finished ? 'Batch finished' : 'Batch abandoned'}
      foot={
        <>
          <RefusedActs queue={live.queue} />
          <Action label="Undo" icon="undo" onPress={live.undo} />
          <PrimaryAction label="See it in the log" onPress={toLog} />
        </>
      }
    >
      {finished ? (
        <>
          <View>
            <Label>Good pieces</Label>
            <BigFigure
              value={`${record.good ?? 0}`}
              unit={say('of {piecesMade, number}', { piecesMade: record.piecesMade ?? 0 })}
              width={width}
              tone="sage"
            />
            <Body>{state.finished?.note ?? ''}</Body>
          </View>
          <Ticket>
            <Heading>Made (planned below it)</Heading>
            <View>
              {[
                ['Pieces', `${record.piecesMade ?? 0}`, `${record.piecesPlanned}`],
                ['Dough', format.mass(record.doughG), format.mass(record.doughPlannedG)],
                [
                  'Ball',
                  record.ballG === null ? '–' : format.ball(record.ballG, benchStepG),
                  format.ball(record.ballPlannedG, benchStepG),
                ],
                [
                  'Hydration',
                  formatPercent(record.actual.hydration, 1),
                  formatPercent(record.planned.hydration, 1),
                ],
              ].map(([name = '', value = '', aside = '']) => (
                <Leader key={name} name={name} value={value} aside={aside} />
              ))}
            </View>
            <Body tone="soot">{batch.plan.formula.method.hold}</Body>
          </Ticket>
        </>
      ) : (
        <Body>{state.abandoned?.reason || 'No reason was written.'}</Body>
      )}
    </Screen>
  );
}

/** The state of a step's own entry fields belongs to one target: a rescale or an undo starts it afresh. */
const viewKey = (state: BatchState): string => {
  const step = state.now?.step;
  const line =
    step?.kind === 'weigh'
      ? state.bowls[(step.bowl ?? 1) - 1]?.lines.find((l) => l.lineId === step.lineId)
      : null;
  return `${step?.id ?? ''}/${line?.targetG ?? ''}/${line?.weighedG ?? ''}`;
};

/** The running batch, one step at a time. */
export function BatchScreen({ id }: { id: string }) {
  const wide = useWide();
  const { live, error, retry } = useBatch(id);
  useKeepAwake();
  useEffect(openSpeakerOnFirstTouch, []);
  useEffect(keepApp, []);

  if (!live) {
    return (
      <Screen title="Bench">
        {error?.name === 'Refused' ? (
          <Notice title="Batch not found" text={error.message} />
        ) : (
          <Waiting what="the batch" error={error} onRetry={retry} />
        )}
      </Screen>
    );
  }
  const { now } = live.state;
  const view = now ? (
    <View key={viewKey(live.state)} style={styles.step}>
      {VIEWS[now.step.kind](live, now)}
    </View>
  ) : (
    <Over live={live} />
  );
  if (!wide) return view;
  return (
    <View style={styles.panes}>
      <View style={styles.step}>{view}</View>
      <ScrollView tabIndex={0} style={styles.side} contentContainerStyle={styles.sideContent}>
        <BatchSide plan={live.batch.plan} state={live.state} />
      </ScrollView>
    </View>
  );
}
