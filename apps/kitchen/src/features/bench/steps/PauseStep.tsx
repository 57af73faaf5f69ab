import { formatSpan } from '../../../reader/figures';
import { say } from '../../../reader/say';
import type { StepState } from '@kettle-scale/core/batch';
import { lateLines } from '@kettle-scale/core/plan';

import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { SPACE } from '../../../ui/tokens';
import { Body, Heading } from '../../../ui/type';
import { ColdChainLine } from '../ColdChainLine';
import { StepFrame } from '../StepFrame';
import { TimerRing } from '../TimerRing';
import { endsEarly, useStepClock } from '../useStepClock';
import { useRingSize } from '../useStepWidth';

const PHASE = { early: 'to go', open: 'go on now', late: 'waits for hands' } as const;
const ALARM = { open: 'The dough has had its pause', late: 'The dough waits to be kneaded' } as const;

const styles = StyleSheet.create({ middle: { alignItems: 'center', gap: SPACE.s } });

/** The dough is left in peace between two kneadings. */
export function PauseStep({ live, now }: { live: LiveBatch; now: StepState }) {
  const { plan } = live.batch;
  const { nowMs, window, running, alarm } = useStepClock(live, now);
  const stepId = now.step.id;
  const phase = running?.phase;
  const late = now.step.round === 0 ? lateLines(plan) : [];
  const test = plan.formula.method.knead.again?.[now.step.round ?? 0]?.restTest;
  const goOn = () =>
    live.act(...(test && phase !== 'early' ? [{ type: 'tested' as const, stepId, passed: true }] : []), {
      type: 'done',
      stepId,
    });
  const next =
    late.length > 0
      ? say('After it: {late} worked in.', {
          late: { list: late.map(({ name }) => name.toLowerCase()), as: 'and' },
        })
      : 'After it: kneaded again.';
  return (
    <StepFrame
      live={live}
      step={now.step}
      primary={
        phase
          ? {
              label: phase === 'early' ? 'Knead now' : test ? 'It passes: knead on' : 'Keep kneading',
              quiet: phase === 'early',
              askFirst: endsEarly(running, 'pause'),
              onPress: goOn,
            }
          : {
              label: test ? 'Covered: start the rest' : 'Covered: start the pause',
              onPress: () => live.act({ type: 'started', stepId }),
            }
      }
      {...(phase && phase !== 'early' ? { alarm: { ...alarm, words: ALARM[phase] } } : {})}
      more={<Body>{next}</Body>}
    >
      <View style={styles.middle}>
        <TimerRing
          size={useRingSize()}
          running={running}
          earliestS={window.earliestS}
          words={PHASE}
          label={formatSpan(window.earliestS)}
        />
      </View>
      {test ? <Heading>{say('Until it passes: {test}.', { test })}</Heading> : null}
      <Body>Keep it covered.</Body>
      <ColdChainLine live={live} nowMs={nowMs} />
    </StepFrame>
  );
}
