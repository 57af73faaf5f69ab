import { type Batch, formatPercent, sumG } from '@kettle-scale/core';
import { batchRecord, foldBatch } from '@kettle-scale/core/batch';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useBatchQuery, useFlourLots } from '../../data/queries';
import { PrimaryAction } from '../../ui/actions';
import { Notice, Waiting } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Table } from '../../ui/Table';
import { Ticket } from '../../ui/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { StepThread } from './StepThread';

const styles = StyleSheet.create({
  facts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  columns: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' },
  column: { flexGrow: 1, flexBasis: 330, minWidth: 0, gap: SPACE.m },
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
      <Label>{`planned ${planned}`}</Label>
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
      <Table label="Weighed" columns={['Line', 'Planned', 'Weighed', 'Off']} rows={rows} />
    </Ticket>
  );
}

/** One batch: what was planned and what came of it, line by line and step by step. */
export function BatchPage({ id }: { id: string }) {
  const router = useRouter();
  const format = useFormat();
  const query = useBatchQuery(id);
  const lots = useFlourLots();
  const batch = query.data;
  if (!batch) {
    return (
      <Screen title="Log">
        {query.error?.name === 'Refused' ? (
          <Notice title="Not in the log" text={query.error.message} />
        ) : (
          <Waiting what="the batch" error={query.error} onRetry={() => void query.refetch()} />
        )}
      </Screen>
    );
  }
  const { plan } = batch;
  const state = foldBatch(plan, batch.events);
  const record = batchRecord(plan, state);
  const lot = lots.data?.find((candidate) => candidate.id === batch.flourLotId)?.name;
  const when = new Date(batch.startedAt).toLocaleString('en-GB', { dateStyle: 'full', timeStyle: 'short' });
  const note = state.finished?.note ?? state.abandoned?.reason;
  return (
    <Screen
      eyebrow={`${when}${lot ? ` · flour lot ${lot}` : ''}`}
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
          value={record.ballG === null ? '–' : format.mass(record.ballG, 0.1)}
          planned={format.mass(record.ballPlannedG, 0.1)}
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
      {note ? (
        <Ticket>
          <Strong>{state.finished ? 'Note' : 'Given up'}</Strong>
          <Body>{note}</Body>
        </Ticket>
      ) : null}
      {state.notes.map(({ id: noteId, text }) => (
        <Body key={noteId}>{text}</Body>
      ))}
      <View style={styles.columns}>
        <View style={styles.column}>
          <WeighedTable batch={batch} />
        </View>
        <View style={styles.column}>
          <StepThread plan={plan} state={state} startedMs={Date.parse(batch.startedAt)} />
        </View>
      </View>
    </Screen>
  );
}
