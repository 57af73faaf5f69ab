import { figure } from '../../../reader/figures';
import { say, sayAll } from '../../../reader/say';
import { type Way, paceFactsOf, rangesOf } from '@kettle-scale/core/bake';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Action } from '../../../ui/input/actions';
import { Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { useWork } from '../../../workers/useWork';
import { useGriddleChoice } from '../../../shared/griddleChoice';
import type { GriddleSubject } from '../useGriddle';

const styles = StyleSheet.create({
  ways: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  /** While the answer to the last question still stands. */
  stale: { opacity: 0.6 },
  way: { flexGrow: 1, flexBasis: 150, minWidth: 0, gap: SPACE.xs },
});

const percent = (shares: readonly number[]): string => shares.map((share) => Math.round(share)).join(' / ');

function OneWay({ name, way, none }: { name: string; way: Way | null; none: string }) {
  const set = useGriddleChoice((state) => state.set);
  const format = useFormat();
  if (!way) {
    return (
      <View style={styles.way}>
        <Label>{name}</Label>
        <Body tone="soot">{none}</Body>
      </View>
    );
  }
  const { plateC, seconds, range, outcome, piecesPerHour } = way;
  return (
    <View style={styles.way}>
      <Label>{sayAll([name, { tempC: plateC }])}</Label>
      <Figure value={seconds.map((s) => Math.round(s)).join(' + ')} unit="s" size={36} tone="ember" />
      <Label>{say('{ranges} s', { ranges: { list: rangesOf({ good: true, ...range }), as: 'and' } })}</Label>
      <Body>
        {say('Freckles {percent} %, {moisture} % water left', {
          percent: percent(outcome.cover),
          moisture: figure(outcome.moisture),
        })}
      </Body>
      {piecesPerHour === null ? null : (
        <Body>
          {say('{piecesPerHour, number} pieces an hour', { piecesPerHour: Math.floor(piecesPerHour) })}
        </Body>
      )}
      <Action
        label={say('Look at {temp}', { temp: format.temp(plateC) })}
        onPress={() => set({ plateC: Math.round(plateC) })}
      />
    </View>
  );
}

/** Hotter and shorter beside cooler and longer, with what each does to the bread and the pace: the kitchen picks. */
export const WaysTicket = memo(function WaysTicket({ subject }: { subject: GriddleSubject }) {
  const { request, griddle, formula, foods, thicknessMm } = subject;
  const facts = paceFactsOf(formula, foods, griddle, thicknessMm);
  const { data, isPlaceholderData } = useWork('ways', { request, facts });
  if (!data) return null;
  return (
    <Ticket>
      <Heading>Two ways</Heading>
      <View style={[styles.ways, isPlaceholderData && styles.stale]}>
        <OneWay name="Hotter, shorter" way={data.hotter} none="No good bread hotter than this." />
        <OneWay name="Cooler, longer" way={data.cooler} none="No good bread cooler than this." />
      </View>
    </Ticket>
  );
});
