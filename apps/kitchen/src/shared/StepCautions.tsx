import { type Plan, type StepKind, stepCautions } from '@kettle-scale/core/plan';
import { Caution } from '../ui/layout/Caution';
import { say, sayAll } from '../reader/say';

/** What can hurt someone at this step, in place: one danger with the act, several by their names, and all of it at a tap. */
export function StepCautions({ plan, kind }: { plan: Plan; kind: StepKind }) {
  const cautions = stepCautions(plan, kind);
  const [first] = cautions;
  if (!first) return null;
  if (cautions.length === 1) return <Caution folded {...first} />;
  return (
    <Caution
      folded
      lead={say('Beware: {dangers}.', { dangers: { list: cautions.map(({ danger }) => danger), as: 'and' } })}
      text={sayAll(
        cautions.flatMap(({ lead, text }) => [lead, text]),
        ' ',
      )}
    />
  );
}
