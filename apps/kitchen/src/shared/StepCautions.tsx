import { type Plan, type StepKind, stepCautions } from '@kettle-scale/core/plan';
import { Caution } from '../ui/layout/Caution';
import { say, sayAll } from '../reader/say';

interface StepCautionsProps {
  plan: Plan;
  kind: StepKind;
  /** The cook has been told: the dangers keep their names alone. */
  told?: boolean;
}

/** What can hurt someone at this step, in place: one danger with the act, several by their names, and all of it at a tap. */
export function StepCautions({ plan, kind, told = false }: StepCautionsProps) {
  const cautions = stepCautions(plan, kind);
  const [first] = cautions;
  if (!first) return null;
  const dangers = cautions.map(({ danger }) => danger);
  if (cautions.length === 1 && !told) return <Caution folded {...first} />;
  return (
    <Caution
      folded
      lead={
        told
          ? say('{what}.', { what: { capital: sayAll(dangers) } })
          : say('Beware: {dangers}.', { dangers: { list: dangers, as: 'and' } })
      }
      text={sayAll(
        cautions.flatMap(({ lead, text }) => [lead, text]),
        ' ',
      )}
    />
  );
}
