import { say } from '../../reader/say';
import { Link, useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useRunning } from '../../api/queries';
import { CookChoice } from '../../shared/CookChoice';
import { useDays } from '../../shared/useDays';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading, Label, Strong } from '../../ui/type';
import { useBegunTwice } from './BatchNotices';

const styles = StyleSheet.create({
  link: { display: 'flex', flexDirection: 'column' },
  list: { gap: SPACE.m },
});

/** The batches in hand, each a tap away; what to make next is chosen on the shift. */
export function BenchScreen() {
  const { clock } = useDays();
  const router = useRouter();
  const running = useRunning();
  const twinOf = useBegunTwice();
  const toShift = () => router.push('/shift');
  return (
    <Screen title="Bench">
      {running.data ? (
        <View style={styles.list}>
          <CookChoice />
          {running.data.length === 0 ? (
            <Notice
              title="Nothing is running"
              text="Choose what to make; the plan comes first."
              action={{ label: 'To the shift', onPress: toShift }}
            />
          ) : null}
          {running.data.map(({ id, formulaName, record, startedAt }) => (
            <Link key={id} href={`/bench/${id}`} style={styles.link}>
              <Ticket>
                <Label>
                  {say('{piecesPlanned, number} pieces, begun {clock}', {
                    piecesPlanned: record.piecesPlanned,
                    clock: clock(Date.parse(startedAt)),
                  })}
                </Label>
                <Heading>{formulaName}</Heading>
                {twinOf(id) ? <Strong tone="plum">{twinOf(id)?.words ?? ''}</Strong> : null}
                <Strong tone="ember">{say('Now: {step}', { step: { lower: record.nowTitle ?? '' } })}</Strong>
              </Ticket>
            </Link>
          ))}
        </View>
      ) : (
        <Waiting what="the batches" error={running.error} onRetry={() => void running.refetch()} />
      )}
    </Screen>
  );
}
