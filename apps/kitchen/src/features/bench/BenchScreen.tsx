import { Link, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useBatches, useFormulas } from '../../data/queries';
import { Action } from '../../ui/actions';
import { Notice, Waiting } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Ticket } from '../../ui/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label, Strong } from '../../ui/type';

const styles = StyleSheet.create({
  link: { display: 'flex', flexDirection: 'column' },
  list: { gap: SPACE.m },
  choices: { gap: SPACE.s },
});

const startedAt = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' });

/** What is running, and what could be started. */
export function BenchScreen() {
  const router = useRouter();
  const running = useBatches('running');
  const formulas = useFormulas();
  return (
    <Screen title="Bench">
      {running.data ? (
        <View style={styles.list}>
          {running.data.length === 0 ? (
            <Notice title="Nothing is running" text="Choose what to make; the plan comes first." />
          ) : null}
          {running.data.map(({ id, formulaName, record, startedAt: at }) => (
            <Link key={id} href={`/bench/${id}`} style={styles.link}>
              <Ticket>
                <Label>{`${record.piecesPlanned} pieces, begun ${startedAt(at)}`}</Label>
                <Heading>{formulaName}</Heading>
                <Strong tone="ember">{`Now: ${record.nowTitle?.toLowerCase() ?? ''}`}</Strong>
              </Ticket>
            </Link>
          ))}
        </View>
      ) : (
        <Waiting what="the batches" error={running.error} onRetry={() => void running.refetch()} />
      )}
      <View style={styles.choices}>
        <Heading>Plan a batch of</Heading>
        {formulas.data?.map(({ id, name }) => (
          <Action key={id} label={name} onPress={() => router.push(`/plan/${id}`)} />
        ))}
        {formulas.data?.length === 0 ? <Body tone="soot">The formula book is empty.</Body> : null}
      </View>
    </Screen>
  );
}
