import { say } from '../../../reader/say';
import type { FlameSetting } from '@kettle-scale/core/kitchen';
import { memo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Action } from '../../../ui/input/actions';
import { RangeField } from '../../../ui/input/RangeField';
import { Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { useWork } from '../../../workers/useWork';
import { useGriddleChoice } from '../../../shared/griddleChoice';
import type { GriddleSubject } from '../useGriddle';

const USUAL_GAP_S = 20;
const GAP = { min: 0, max: 120, step: 5 } as const;

const styles = StyleSheet.create({ figures: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l } });

/** A pan on a burner: what it has as each piece lands and on the mean under the bread, for the gap between pieces. */
export const PanTicket = memo(function PanTicket({
  subject,
  flame,
}: {
  subject: GriddleSubject;
  flame: FlameSetting;
}) {
  const set = useGriddleChoice((state) => state.set);
  const format = useFormat();
  const [gapS, setGapS] = useState(USUAL_GAP_S);
  const { data, error } = useWork('pan', { request: subject.request, flame, gapS });
  const landsC = data ? Math.round(data.middle.landsC) : null;
  const between = (of: 'landsC' | 'underC') =>
    data
      ? say('{temp} to {temp2}', { temp: format.temp(data.least[of]), temp2: format.temp(data.most[of]) })
      : '';
  return (
    <Ticket>
      <Heading>{say('On its burner, {flame}', { flame })}</Heading>
      <RangeField
        label="From one piece off to the next on"
        figure={{ value: String(gapS), unit: 's' }}
        {...{ ...GAP, value: gapS }}
        onChange={setGapS}
      />
      {error ? <Body tone="plum">{error.message}</Body> : null}
      {data && landsC !== null ? (
        <>
          <View style={styles.figures}>
            <View>
              <Label>When a piece goes on</Label>
              <Figure value={format.temp(data.middle.landsC)} size={36} tone="ember" />
              <Label>{between('landsC')}</Label>
            </View>
            <View>
              <Label>Mean under the bread</Label>
              <Figure value={format.temp(data.middle.underC)} size={36} />
              <Label>{between('underC')}</Label>
            </View>
          </View>
          {data.most.runsAway ? (
            <Strong tone="plum">
              With so long between pieces it may run away hot: turn the flame down, or off in the gap.
            </Strong>
          ) : null}
          <Body tone="soot">
            The flame is an estimate of the heat into the pan: measure the pan once and the reading is used
            instead.
          </Body>
          <Action
            label={say('Bake at {temp}', { temp: format.temp(landsC) })}
            onPress={() => set({ plateC: landsC })}
          />
        </>
      ) : (
        <Body>Baking piece after piece on it …</Body>
      )}
    </Ticket>
  );
});
