import type { Plan, StepKind } from '@kettle-scale/core';
import { stepCautions } from '@kettle-scale/core/batch';
import { Caution } from '../../ui/Caution';

/** What can hurt someone at this step, in place. */
export function StepCautions({ plan, kind }: { plan: Plan; kind: StepKind }) {
  return (
    <>
      {stepCautions(plan, kind).map((caution) => (
        <Caution key={caution.lead} {...caution} />
      ))}
    </>
  );
}
