import { type Plan, type StepKind, stepCautions } from '@kettle-scale/core/plan';
import { Caution } from '../../ui/layout/Caution';
import { say } from '../../reader/say';

/** What can hurt someone at this step, in place: the danger and the act in a few words, more at a tap. At the end there is time to read. */
export function StepCautions({ plan, kind }: { plan: Plan; kind: StepKind }) {
  return (
    <>
      {stepCautions(plan, kind).map((caution) => (
        <Caution key={say(caution.lead)} folded={kind !== 'finish'} {...caution} />
      ))}
    </>
  );
}
