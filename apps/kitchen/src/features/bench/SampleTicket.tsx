import { say } from '../../reader/say';
import { type Plan, planCost } from '@kettle-scale/core/plan';
import { type BallSample, sampleSize } from '@kettle-scale/core/quality';
import { useState } from 'react';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { Body, Heading } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { SampleFacts } from './SampleFacts';

const BALL_STEP_G = 0.1;
/** The mean is wanted to within this share of the tolerance. */
const WITHIN = 0.5;
/** How sure a cook may want to be, in percent. */
const SURE = ['80', '90', '95', '99'] as const;
type Sure = (typeof SURE)[number];
const PERCENT = 100;

interface Props {
  sample: BallSample;
  toleranceG: number;
  plan: Plan;
}

/** What the weighed balls say of all of them, and how many more would make it surer. */
export function SampleTicket({ sample, toleranceG, plan }: Props) {
  const format = useFormat();
  const [sure, setSure] = useState<Sure>('95');
  const wanted = sample.sdG ? sampleSize(sample.sdG, WITHIN * toleranceG, Number(sure) / PERCENT) : null;
  return (
    <Ticket>
      <Heading>What the sample says</Heading>
      <SampleFacts
        sample={sample}
        currency={plan.kitchen.currency}
        priced={planCost(plan).unpriced.length === 0}
      />
      <Segments
        labelled
        label={say('To know the mean within {mass}, how sure?', {
          mass: format.mass(WITHIN * toleranceG, BALL_STEP_G),
        })}
        value={sure}
        options={SURE.map((value) => [value, `${value} %`] as const)}
        onChange={setSure}
      />
      <Body tone="soot">
        {wanted
          ? say('Weigh {wanted, number} balls for that.', { wanted })
          : 'The spread is too wide: weigh each ball.'}
      </Body>
    </Ticket>
  );
}
