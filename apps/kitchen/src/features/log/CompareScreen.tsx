import { say } from '../../reader/say';
import { compareBatches } from '@kettle-scale/core/log';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useLog } from '../../api/logQueries';
import { useBatchQuery } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Choices } from '../../ui/input/Choices';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Ticket } from '../../ui/layout/Ticket';
import { useColours } from '../../ui/theme';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';

/** From this many ordinary differences on a row stands out. */
const STANDS_OUT = 1;
const LONGEST_BAR = 5;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 46, borderBottomWidth: 1 },
  name: { flex: 1.5, minWidth: 0 },
  cell: { flex: 1, alignItems: 'flex-end' },
  bar: { height: 6 },
});

/** One figure of both batches, with a bar that is as long as the difference is unusual. */
function DifferenceRow({ what, a, b, weight }: ReturnType<typeof compareBatches>[number]) {
  const colours = useColours();
  const big = weight >= STANDS_OUT;
  return (
    <View role="row" style={[styles.row, { borderColor: colours.rule }]}>
      <View role="cell" style={styles.name}>
        {big ? <Strong>{what}</Strong> : <Body tone="soot">{what}</Body>}
        <View
          style={[
            styles.bar,
            {
              width: `${(Math.min(LONGEST_BAR, weight) / LONGEST_BAR) * 100}%`,
              backgroundColor: big ? colours.ember : colours.rule,
            },
          ]}
        />
      </View>
      <View role="cell" style={styles.cell}>
        <Figure value={a} size={19} tone="soot" />
      </View>
      <View role="cell" style={styles.cell}>
        <Figure value={b} size={19} tone={big ? 'ink' : 'soot'} />
      </View>
    </View>
  );
}

/** Two batches of one formula, what differs most first. */
export function CompareScreen({ id }: { id: string }) {
  const colours = useColours();
  const { write } = useDays();
  const day = (iso: string) => write(iso, 'brief');
  const first = useBatchQuery(id);
  const formulaId = first.data?.plan.formula.id ?? '';
  const others = useLog({ formula: formulaId });
  const rest = (others.data?.pages.flat() ?? []).filter((batch) => batch.id !== id);
  const before = rest.find(({ startedAt }) => startedAt < (first.data?.startedAt ?? ''));
  const [picked, setPicked] = useState<string | null>(null);
  const otherId = picked ?? before?.id ?? rest[0]?.id;
  const second = useBatchQuery(otherId ?? id);
  if (!first.data || !others.data) {
    return (
      <Screen title="Compare">
        <Waiting
          what="the batches"
          error={first.error ?? others.error}
          onRetry={() => void first.refetch()}
        />
      </Screen>
    );
  }
  if (!otherId) {
    return (
      <Screen eyebrow={first.data.plan.formula.name} title="Compare">
        <Body>There is no other batch of this formula yet.</Body>
      </Screen>
    );
  }
  const rows = second.data ? compareBatches(second.data, first.data) : [];
  const out = rows.filter(({ weight }) => weight >= STANDS_OUT).length;
  return (
    <Screen eyebrow={first.data.plan.formula.name} title="Compare two batches">
      <Choices
        label={say('{day} against', { day: day(first.data.startedAt) })}
        value={otherId}
        options={rest.slice(0, 8).map((batch) => [batch.id, day(batch.startedAt)] as const)}
        onChange={setPicked}
      />
      <Ticket>
        <Heading>
          {out === 0
            ? 'Nothing stands out'
            : say('{out, number} {out, plural, one {thing stands} other {things stand}} out', { out })}
        </Heading>
        <View role="table" aria-label={say('Two batches')}>
          <View role="row" style={[styles.row, { borderColor: colours.ink }]}>
            <View role="columnheader" style={styles.name}>
              <Label>largest difference first</Label>
            </View>
            <View role="columnheader" style={styles.cell}>
              <Label>{second.data ? day(second.data.startedAt) : ''}</Label>
            </View>
            <View role="columnheader" style={styles.cell}>
              <Label>{day(first.data.startedAt)}</Label>
            </View>
          </View>
          {rows.map((row) => (
            <DifferenceRow key={say(row.what)} {...row} />
          ))}
        </View>
        <Label>Each bar shows how far the figure is from its usual value.</Label>
      </Ticket>
    </Screen>
  );
}
