import { say } from '../../reader/say';
import type { BatchState } from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import { ballAdvice, ballSample } from '@kettle-scale/core/quality';
import { BallStrip } from '../../shared/chart';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

/** The balls of a batch as they were weighed, and what they said. */
export function BatchBalls({ plan, state }: { plan: Plan; state: BatchState }) {
  const format = useFormat();
  const ballsG = state.balls.map(({ massG }) => massG);
  if (ballsG.length === 0) return null;
  const standard = {
    targetG: state.divided?.ballG ?? plan.ballG,
    toleranceG: plan.formula.product.ballToleranceG,
    costPerG: 0,
  };
  const sample = ballSample(ballsG, standard);
  const advice = ballAdvice(sample, standard);
  return (
    <Ticket>
      <Heading>{say('Balls, {length, number} weighed', { length: ballsG.length })}</Heading>
      <BallStrip ballsG={ballsG} {...standard} />
      <Label>
        {say('mean {mass}, spread {sd}', {
          mass: format.mass(sample.meanG, 0.1),
          sd: sample.sdG === null ? '–' : format.mass(sample.sdG, 0.1),
        })}
      </Label>
      <Strong tone={advice.about === 'good' ? 'sage' : 'plum'}>{advice.words}</Strong>
    </Ticket>
  );
}
