import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';
import type { BatchSummary } from '@kettle-scale/core/batch';
import { cookNames } from '@kettle-scale/core/kitchen';

import { Link, useRouter } from 'expo-router';
import { memo, useDeferredValue } from 'react';
import { StyleSheet, View } from 'react-native';
import { useLog } from '../../api/logQueries';
import { useFormulas, useKitchen } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Action, ActionRow } from '../../ui/input/actions';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Panes } from '../../ui/layout/Panes';
import { Screen } from '../../ui/layout/Screen';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Figure, Heading, Label, Strong } from '../../ui/type';
import { useFindKey } from '../../ui/input/useFindKey';
import { useFormat } from '../../ui/useFormat';
import { VirtualList } from '../../ui/layout/VirtualList';
import { useWide } from '../../ui/layout/useWide';
import { BatchPage } from './BatchPage';
import { FindLog, useFind } from './FindLog';

const TICKET_PX = 158;

const styles = StyleSheet.create({
  link: { display: 'flex', flexDirection: 'column' },
  head: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    alignItems: 'baseline',
    columnGap: SPACE.s,
  },
  facts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l, rowGap: SPACE.s },
});

/** Planned and actual, one above the other. */
function Pair({ label, actual, planned }: { label: string; actual: string; planned: string }) {
  return (
    <View>
      <Label>{label}</Label>
      <Figure value={actual} size={26} />
      <Label>{say('planned {planned}', { planned })}</Label>
    </View>
  );
}

interface LogTicketProps {
  batch: BatchSummary;
  here: boolean;
  /** Everybody who worked on it, in words. */
  cooks: string;
}

const LogTicket = memo(function LogTicket({ batch, here, cooks }: LogTicketProps) {
  const format = useFormat();
  const { write } = useDays();
  const { record } = batch;
  return (
    <Link
      href={`/log/${batch.id}`}
      style={styles.link}
      {...(here ? { 'aria-current': 'true' as const } : {})}
    >
      <Ticket>
        <View style={styles.head}>
          <Label>{[write(batch.startedAt, 'moment'), cooks].filter(Boolean).join(' · ')}</Label>
          <Strong
            tone={record.status === 'finished' ? 'sage' : record.status === 'running' ? 'ember' : 'plum'}
          >
            {record.status}
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
});

/** What was made: planned against actual, the newest first, and one batch beside it where there is room. */
export function LogScreen({ id }: { id?: string | undefined }) {
  const wide = useWide();
  const router = useRouter();
  const { find } = useFind();
  const asked = useDeferredValue(find);
  useFindKey('find-log');
  const log = useLog(asked);
  const formulas = useFormulas();
  const nameOf = cookNames(useKitchen().data?.cooks);
  const batches = log.data?.pages.flat();
  const chosen = id ?? (wide ? batches?.[0]?.id : undefined);
  const searching = Object.values(asked).some(Boolean);
  const list = (
    <Screen title="Log">
      <ActionRow
        actions={[
          { key: 'lessons', label: 'Lessons', onPress: () => router.push('/lessons') },
          { key: 'charts', label: 'Charts', onPress: () => router.push('/charts') },
        ]}
      />
      <FindLog formulas={formulas.data ?? []} />
      {batches ? (
        batches.length > 0 ? (
          <VirtualList
            label="Batches"
            items={batches}
            keyOf={(batch) => batch.id}
            rowPx={TICKET_PX}
            gap={SPACE.m}
            row={(batch) => (
              <LogTicket
                batch={batch}
                here={batch.id === chosen}
                cooks={(batch.record.cooks ?? []).map(nameOf).join(', ')}
              />
            )}
          />
        ) : searching ? (
          <Notice title="No matches" text="Clear a filter to see more batches." />
        ) : (
          <Notice
            title="Nothing made yet"
            text="Every batch you make on the bench is recorded here automatically."
          />
        )
      ) : (
        <Waiting what="the log" error={log.error} onRetry={() => void log.refetch()} />
      )}
      {log.hasNextPage ? (
        <Action
          label={log.isFetchingNextPage ? 'Fetching …' : 'Older batches'}
          onPress={() => void log.fetchNextPage()}
          disabled={log.isFetchingNextPage}
        />
      ) : null}
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
