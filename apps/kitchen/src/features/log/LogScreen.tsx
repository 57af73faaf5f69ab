import { type BatchSummary, formatPercent } from '@kettle-scale/core';
import { Link } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useBatches } from '../../data/queries';
import { Notice, Waiting } from '../../ui/Notice';
import { Panes } from '../../ui/Panes';
import { Screen } from '../../ui/Screen';
import { Ticket } from '../../ui/Ticket';
import { SPACE } from '../../ui/tokens';
import { Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useWide } from '../../ui/useWide';
import { BatchPage } from './BatchPage';

const styles = StyleSheet.create({
  tickets: { gap: SPACE.m },
  link: { display: 'flex', flexDirection: 'column' },
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' },
  facts: { flexDirection: 'row', gap: SPACE.l },
});

const day = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

const STATUS = { running: 'running', finished: 'finished', abandoned: 'given up' } as const;

/** Planned and actual, one above the other. */
function Pair({ label, actual, planned }: { label: string; actual: string; planned: string }) {
  return (
    <View>
      <Label>{label}</Label>
      <Figure value={actual} size={26} />
      <Label>{`planned ${planned}`}</Label>
    </View>
  );
}

function LogTicket({ batch, here }: { batch: BatchSummary; here: boolean }) {
  const format = useFormat();
  const { record } = batch;
  return (
    <Link
      href={`/log/${batch.id}`}
      style={styles.link}
      {...(here ? { 'aria-current': 'true' as const } : {})}
    >
      <Ticket>
        <View style={styles.head}>
          <Label>{day(batch.startedAt)}</Label>
          <Strong
            tone={record.status === 'finished' ? 'sage' : record.status === 'running' ? 'ember' : 'plum'}
          >
            {STATUS[record.status]}
          </Strong>
        </View>
        <Heading>{batch.formulaName}</Heading>
        <View style={styles.facts}>
          <Pair
            label="Good pieces"
            actual={record.good === null ? '–' : String(record.good)}
            planned={String(record.piecesPlanned)}
          />
          <Pair
            label="Dough"
            actual={format.mass(record.doughG)}
            planned={format.mass(record.doughPlannedG)}
          />
          <Pair
            label="Hydration"
            actual={formatPercent(record.actual.hydration, 1)}
            planned={formatPercent(record.planned.hydration, 1)}
          />
        </View>
      </Ticket>
    </Link>
  );
}

/** What was made: planned against actual, the newest first, and one batch beside it where there is room. */
export function LogScreen({ id }: { id?: string | undefined }) {
  const wide = useWide();
  const batches = useBatches();
  const chosen = id ?? (wide ? batches.data?.[0]?.id : undefined);
  const list = (
    <Screen title="Log">
      {batches.data ? (
        batches.data.length > 0 ? (
          <View style={styles.tickets}>
            {batches.data.map((batch) => (
              <LogTicket key={batch.id} batch={batch} here={batch.id === chosen} />
            ))}
          </View>
        ) : (
          <Notice title="Nothing made yet" text="Every batch you work on the bench is kept here by itself." />
        )
      ) : (
        <Waiting what="the log" error={batches.error} onRetry={() => void batches.refetch()} />
      )}
    </Screen>
  );
  return (
    <Panes
      list={list}
      page={chosen ? <BatchPage key={chosen} id={chosen} /> : null}
      asked={id !== undefined}
    />
  );
}
