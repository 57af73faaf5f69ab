import { textField } from '@kettle-scale/core/message';
import { say } from '../../reader/say';
import type { Plan } from '@kettle-scale/core/plan';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { useSavePlan } from '../../api/changes';
import { OneTextSheet } from '../../shared/OneTextSheet';
import { ActionRow } from '../../ui/input/actions';

const nameField = textField('Name', { min: 1, max: 60 });

/** Keeps what was asked, to plan it again another day or to hold it against another plan. */
export function KeepPlan({ plan, mixer }: { plan: Plan; mixer: string | undefined }) {
  const router = useRouter();
  const save = useSavePlan();
  const [open, setOpen] = useState(false);
  const keep = (name: string, done: () => void) => {
    const { formula, need, today } = plan;
    save.mutate(
      {
        id: uuidv7(),
        name,
        savedAt: new Date().toISOString(),
        formulaId: formula.id,
        formulaVersion: formula.version,
        need,
        ...(today ? { conditions: today.conditions } : {}),
        ...(mixer ? { mixer } : {}),
      },
      { onSuccess: done },
    );
  };
  return (
    <>
      <ActionRow
        actions={[
          { key: 'keep', label: 'Keep for later', onPress: () => setOpen(true) },
          { key: 'kept', label: 'Saved plans', onPress: () => router.push('/plans') },
        ]}
      />
      {open ? (
        <OneTextSheet
          open
          onClose={() => setOpen(false)}
          title="Save this plan"
          name="plan-name"
          label="Name"
          field={nameField}
          first={say('{name}, {pieces, number} pieces', { name: plan.formula.name, pieces: plan.pieces })}
          act="Save"
          onText={keep}
          refused={save.error?.message}
          disabled={save.isPending}
        />
      ) : null}
    </>
  );
}
