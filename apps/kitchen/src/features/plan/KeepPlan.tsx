import { say } from '../../reader/say';
import type { Plan } from '@kettle-scale/core/plan';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { useSavePlan } from '../../api/queries';
import { Action, ActionRow } from '../../ui/input/actions';
import { Sheet } from '../../ui/layout/Sheet';
import { FieldError } from '../../ui/input/Field';
import { Heading } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';

const LONGEST_NAME = 60;

/** Keeps what was asked, to plan it again another day or to hold it against another plan. */
export function KeepPlan({ plan, mixer }: { plan: Plan; mixer: string | undefined }) {
  const router = useRouter();
  const save = useSavePlan();
  const [name, setName] = useState<string | null>(null);
  const close = () => setName(null);
  const keep = () => {
    const { formula, need, today } = plan;
    save.mutate(
      {
        id: uuidv7(),
        name: (name ?? '').trim(),
        savedAt: new Date().toISOString(),
        formulaId: formula.id,
        formulaVersion: formula.version,
        need,
        ...(today ? { conditions: today.conditions } : {}),
        ...(mixer ? { mixer } : {}),
      },
      { onSuccess: close },
    );
  };
  const bad = name !== null && (name.trim() === '' || name.length > LONGEST_NAME);
  return (
    <>
      <ActionRow
        actions={[
          {
            key: 'keep',
            label: 'Keep for later',
            onPress: () =>
              setName(
                say('{name}, {pieces, number} pieces', { name: plan.formula.name, pieces: plan.pieces }),
              ),
          },
          { key: 'kept', label: 'Saved plans', onPress: () => router.push('/plans') },
        ]}
      />
      <Sheet open={name !== null} onClose={close} label="Save this plan">
        <Heading>Save this plan</Heading>
        <WordField
          name="plan-name"
          label="Name"
          value={name ?? ''}
          onText={setName}
          error={
            bad
              ? say('A name of 1 to {longestName, number} letters.', { longestName: LONGEST_NAME })
              : undefined
          }
        />
        {save.error ? <FieldError id="keep-error" message={save.error.message} /> : null}
        <Action label="Save" onPress={keep} disabled={bad || save.isPending} />
      </Sheet>
    </>
  );
}
