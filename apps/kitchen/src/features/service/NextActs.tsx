import { say } from '../../reader/say';
import { type DayPicture, type NextAct, nextActs } from '@kettle-scale/core/shift';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useDays } from '../../shared/useDays';
import { Action } from '../../ui/input/actions';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useNow } from '../../ui/useNow';
import type { ServiceNow } from './useServiceDay';

const TOLD = 3;
const S_PER_MIN = 60;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  words: { flex: 1, minWidth: 0 },
});

/** What an act is called, with how much of which bread. */
function actWords({ kind }: NextAct, pieces: number, bread: string): string {
  switch (kind) {
    case 'light':
      return 'Light the plate';
    case 'heat':
      return 'Change the heat';
    case 'take-out':
      return say('Take {pieces, number} {bread} out of the fridge', { pieces, bread });
    case 'weigh':
      return say('Weigh {pieces, number} {bread}', { pieces, bread });
    case 'divide':
      return say('Divide {pieces, number} {bread}', { pieces, bread });
    case 'bake':
      return say('Roll and bake {pieces, number} {bread}', { pieces, bread });
  }
}

/** "in 12 min", "now", "5 min ago". */
function whenWords(at: number, nowS: number): string {
  const minutes = Math.round((at - nowS) / S_PER_MIN);
  if (Math.abs(minutes) < 1) return 'now';
  return minutes > 0
    ? say('in {minutes, number} min', { minutes })
    : say('{minutes, number} min ago', { minutes: -minutes });
}

interface NextActsProps {
  now: ServiceNow;
  picture: DayPicture;
}

/** The next three acts of the shift; a batch is begun from here. */
export function NextActs({ now, picture }: NextActsProps) {
  const { clock } = useDays();
  const router = useRouter();
  const nowMs = useNow(10_000);
  const nowS = now.nowS + Math.max(0, (nowMs - now.toMs(now.nowS)) / 1000);
  const acts = nextActs(picture, nowS, TOLD);
  const breadOf = (batch: number) => now.line?.breads[picture.batches[batch]?.bread ?? -1];
  return (
    <Ticket>
      <Heading>Next</Heading>
      {acts.length === 0 ? <Body tone="soot">Nothing more to start.</Body> : null}
      {acts.map((act, index) => {
        const bread = breadOf(act.batch);
        const pieces = picture.batches[act.batch]?.n ?? 0;
        const store =
          act.kind === 'take-out' ? now.shift?.cold?.[picture.batches[act.batch]?.cold ?? -1] : undefined;
        const words = actWords(act, pieces, bread?.name ?? '');
        return (
          <View key={`${act.kind}${act.batch}${act.at}`} style={styles.row}>
            <View style={styles.words}>
              <Label>{whenWords(act.at, nowS)}</Label>
              {index === 0 ? <Heading>{words}</Heading> : <Strong>{words}</Strong>}
            </View>
            <Figure value={clock(now.toMs(act.at))} size={index === 0 ? 48 : 32} />
            {store ? (
              <Action
                label="Open"
                hint={say('Open the batch of {pieces, number} {name} in the fridge', {
                  pieces,
                  name: bread?.name ?? '',
                })}
                onPress={() => router.push(`/bench/${store.id}`)}
              />
            ) : null}
            {act.kind === 'weigh' && bread ? (
              <Action
                label="Plan"
                hint={say('Plan {pieces, number} {name}', { pieces, name: bread.name ?? bread.id })}
                onPress={() =>
                  router.push(`/plan/${bread.id}?by=pieces&pieces=${pieces}&ball=${bread.ballG} g`)
                }
              />
            ) : null}
          </View>
        );
      })}
    </Ticket>
  );
}
