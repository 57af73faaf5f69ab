import { say } from '../../reader/say';
import { USUAL_SAMPLE } from '@kettle-scale/core/quality';
import { useRouter } from 'expo-router';
import type { LiveBatch } from '../../batch/useBatch';
import { Action } from '../../ui/input/actions';

/** The way to the scale with a few balls. */
export function CheckBalls({ live }: { live: LiveBatch }) {
  const router = useRouter();
  const done = live.state.balls.length;
  return (
    <Action
      label={
        done === 0
          ? say('Check the balls: weigh {usualSample, number}', { usualSample: USUAL_SAMPLE })
          : say('Check the balls ({done, number} weighed)', { done })
      }
      onPress={() => router.push(`/bench/${live.batch.id}/balls`)}
    />
  );
}
