import { say } from '../../../reader/say';
import { ballsMade } from '@kettle-scale/core/batch';
import type { Step } from '@kettle-scale/core/plan';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Label } from '../../../ui/type';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });

/** Balls pressed flat to coins, which rest so and roll out rounder. */
export function CoinsStep({ live, step }: { live: LiveBatch; step: Step }) {
  const width = useStepWidth();
  return (
    <StepFrame
      live={live}
      step={step}
      primary={{ label: 'All pressed', onPress: () => live.act({ type: 'done', stepId: step.id }) }}
      more={<Body>Seam below, from the middle outwards, half as thick as the ball.</Body>}
    >
      <View style={styles.stack}>
        <Label>Balls</Label>
        <BigFigure value={String(ballsMade(live.batch.plan, live.state))} unit="" width={width} />
        <Body>{say('Press each flat with the palm, then cover them.')}</Body>
      </View>
    </StepFrame>
  );
}
