import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';
import { type Batch, batchRecord, foldBatch } from '@kettle-scale/core/batch';
import { cookNames } from '@kettle-scale/core/kitchen';
import { sumG } from '@kettle-scale/core/quantity';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useFlourLots, useKitchen } from '../../api/queries';
import { type LiveBatch, useBatch } from '../../batch/useBatch';
import { useDays } from '../../shared/useDays';
import { whoWords } from '../../shared/whoWords';
import { Action, ActionRow, PrimaryAction } from '../../ui/input/actions';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Table } from '../../ui/layout/Table';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { BatchBalls } from './BatchBalls';
import { CorrectSheet } from './CorrectSheet';
import { HeldTicket } from './HeldTicket';
import { InspectedTicket } from './InspectedTicket';
import { NoteSheet } from '../../shared/NoteSheet';
import { StepThread } from './StepThread';

const styles = StyleSheet.create({
  facts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  columns: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' },
  column: { flexGrow: 1, flexBasis: 330, flexShrink: 1, minWidth: 0, gap: SPACE.m },
});

interface FactProps {
  label: string;
  value: string;
  planned: string;
}

function Fact({ label, value, planned }: FactProps) {
  return (
    <View>
      <Label>{label}</Label>
      <Figure value={value} size={40} />
      <Label>{say('planned {planned}', { planned })}</Label>
    </View>
  );
}

function WeighedTable({ batch }: { batch: Batch }) {
  const format = useFormat();
  const record = batchRecord(batch.plan, foldBatch(batch.plan, batch.events));
  const rows = record.lines.map(({ name, stepG, plannedG, weighedG }) => {
    const planned = format.mass(plannedG, stepG);
    if (weighedG === null) return [name, planned, '–', '–'];
    const offG = sumG([weighedG, -plannedG]);
    const off = offG === 0 ? '0' : `${offG > 0 ? '+' : '−'}${format.mass(Math.abs(offG), stepG)}`;
    return [name, planned, format.mass(weighedG, stepG), off];
  });
  return (
    <Ticket>
      <Heading>Weighed</Heading>
      <Table label="Weighed" columns={['Line', 'Planned', 'Weighed', 'Off target']} rows={rows} />
    </Ticket>
  );
}

/** Words that were written about it, its end and its corrections. */
function Words({ live }: { live: LiveBatch }) {
  const { state, batch } = live;
  const note = state.finished?.note ?? state.abandoned?.reason;
  const corrections = batch.events.flatMap((event) => (event.type === 'corrected' ? [event] : []));
  if (!note && state.notes.length === 0 && corrections.length === 0) return null;
  return (
    <Ticket>
      {note ? (
        <>
          <Strong>{state.finished ? 'Note' : 'Abandoned'}</Strong>
          <Body>{note}</Body>
        </>
      ) : null}
      {state.notes.map(({ id, text }) => (
        <Body key={id}>{text}</Body>
      ))}
      {corrections.map(({ id, reason }) => (
        <Label key={id}>{say('Corrected later: {reason}', { reason })}</Label>
      ))}
    </Ticket>
  );
}

/** What came of it, against the plan. */
function Facts({ live: { batch, state } }: { live: LiveBatch }) {
  const format = useFormat();
  const { plan } = batch;
  const record = batchRecord(plan, state);
  return (
    <View style={styles.facts}>
      <Fact
        label="Good pieces"
        value={record.good === null ? '–' : `${record.good}`}
        planned={`${record.piecesPlanned}`}
      />
      <Fact
        label="Made"
        value={record.piecesMade === null ? '–' : `${record.piecesMade}`}
        planned={`${record.piecesPlanned}`}
      />
      <Fact label="Dough" value={format.mass(record.doughG)} planned={format.mass(record.doughPlannedG)} />
      <Fact
        label="Ball"
        value={record.ballG === null ? '–' : format.ball(record.ballG, plan.kitchen.benchStepG)}
        planned={format.ball(record.ballPlannedG, plan.kitchen.benchStepG)}
      />
      <Fact
        label="Hydration"
        value={formatPercent(record.actual.hydration, 1)}
        planned={formatPercent(record.planned.hydration, 1)}
      />
      {state.flattened ? (
        <Fact
          label="Rolled"
          value={format.length(state.flattened.diameterMm)}
          planned={format.length(plan.rolled.diameterMm)}
        />
      ) : null}
    </View>
  );
}

function Page({ live }: { live: LiveBatch }) {
  const days = useDays();
  const router = useRouter();
  const lots = useFlourLots();
  const [sheet, setSheet] = useState<'correct' | 'note' | null>(null);
  const { batch, state } = live;
  const { plan, id } = batch;
  const lot = lots.data?.find((candidate) => candidate.id === batch.flourLotId)?.name;
  const when = days.write(batch.startedAt, 'full');
  const nameOf = cookNames(useKitchen().data?.cooks);
  const who = whoWords(batch, nameOf);
  const begun = who && say(batch.cook ? 'begun by {who}' : 'begun {who}', { who });
  const close = () => setSheet(null);
  return (
    <Screen
      eyebrow={[when, lot ? say('flour lot {lot}', { lot }) : null, begun].filter(Boolean).join(' · ')}
      title={plan.formula.name}
      foot={
        <PrimaryAction
          label={state.status === 'running' ? 'Go to the bench' : 'Plan it again'}
          onPress={() =>
            router.push(state.status === 'running' ? `/bench/${id}` : `/plan/${plan.formula.id}`)
          }
        />
      }
    >
      <Facts live={live} />
      <View style={{ gap: SPACE.s }}>
        <ActionRow
          actions={[
            { key: 'wrong', label: 'What went wrong?', onPress: () => router.push(`/log/${id}/wrong`) },
            { key: 'compare', label: 'Compare', onPress: () => router.push(`/log/${id}/compare`) },
          ]}
        />
        <ActionRow
          actions={[
            { key: 'note', label: 'Write a note', onPress: () => setSheet('note') },
            { key: 'correct', label: 'Correct a value', onPress: () => setSheet('correct') },
          ]}
        />
      </View>
      <Words live={live} />
      <View style={styles.columns}>
        <View style={styles.column}>
          <HeldTicket live={live} />
          <InspectedTicket state={state} />
          <BatchBalls plan={plan} state={state} />
          <WeighedTable batch={batch} />
        </View>
        <View style={styles.column}>
          <StepThread batch={batch} state={state} nameOf={nameOf} />
        </View>
      </View>
      {live.queue.status === 'offline' && !live.queue.notKept ? (
        <Action label="Kept here, sent later" disabled onPress={() => undefined} />
      ) : null}
      <CorrectSheet live={live} open={sheet === 'correct'} onClose={close} />
      <NoteSheet live={live} open={sheet === 'note'} onClose={close} />
    </Screen>
  );
}

/** One batch: what was planned and what came of it, line by line and step by step. */
export function BatchPage({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  if (live) return <Page live={live} />;
  return (
    <Screen title="Log">
      {error?.name === 'Refused' ? (
        <Notice title="Batch not found" text={error.message} />
      ) : (
        <Waiting what="the batch" error={error} onRetry={retry} />
      )}
    </Screen>
  );
}
