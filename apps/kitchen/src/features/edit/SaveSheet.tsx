import { say } from '../../reader/say';
import type { FormulaVersion } from '@kettle-scale/core/document';
import { type Formula, compareFormulas, freeId } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { textField } from '@kettle-scale/core/message';
import { useState } from 'react';
import { Refused } from '../../api/api';
import { useSaveFormula } from '../../api/changes';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { DifferenceTable } from '../../shared/DifferenceTable';
import { Sheet } from '../../ui/layout/Sheet';
import { FieldError } from '../../ui/input/Field';
import { Body, Heading, Label } from '../../ui/type';
import { useTextForm } from '../../ui/input/useTextForm';
import { WordField } from '../../ui/input/WordField';
import { z } from 'zod';

interface SaveSheetProps {
  open: boolean;
  /** What is to be saved. */
  formula: Formula;
  /** What it was made from; null for a new formula. */
  base: Formula | null;
  reason: string;
  foods: readonly Ingredient[];
  takenIds: ReadonlySet<string>;
  onSaved: (id: string) => void;
  /** The other person's version is taken, and this work given up. */
  onTakeTheirs: () => void;
  onClose: () => void;
}

const CHANGED_MEANWHILE = 412;
const reasonSchema = z.object({ reason: textField('Reason', { max: 200 }) });

interface TheirsProps extends Pick<
  SaveSheetProps,
  'open' | 'formula' | 'foods' | 'onClose' | 'onTakeTheirs'
> {
  theirs: FormulaVersion;
  problem: string | undefined;
  onSaveYours: (after: number) => void;
  asCopy: () => void;
}

/** Somebody saved in between: where the two differ, and what can become of yours. */
function Theirs({
  open,
  theirs,
  formula,
  foods,
  problem,
  onClose,
  onTakeTheirs,
  onSaveYours,
  asCopy,
}: TheirsProps) {
  const { formula: current, reason: why } = theirs;
  return (
    <Sheet open={open} onClose={onClose} label="Somebody saved meanwhile">
      <Heading>
        {say('Somebody saved version {version, number} meanwhile', { version: current.version })}
      </Heading>
      <Body>{say('“{why}”. Nothing of yours is lost: here is where the two differ.', { why })}</Body>
      <DifferenceTable
        differences={compareFormulas(current, formula, foods)}
        before={say('theirs, {version, number}', { version: current.version })}
        after="yours"
      />
      <PrimaryAction
        label={say('Save yours as version {version, number}', { version: current.version + 1 })}
        onPress={() => onSaveYours(current.version)}
      />
      <Action label="Keep both: save yours as a copy" icon="copy" onPress={asCopy} />
      <Action label="Discard yours" onPress={onTakeTheirs} />
      {problem ? <FieldError id="save-error" message={problem} /> : null}
    </Sheet>
  );
}

/** Sends a version with the reason that stands in its field; what somebody saved in between is kept to be shown. */
function useSaving(proposed: string, onSaved: (id: string) => void) {
  const form = useTextForm({
    first: { reason: proposed },
    read: (typed) => typed,
    schema: reasonSchema,
  });
  const [theirs, setTheirs] = useState<FormulaVersion | null>(null);
  const save = useSaveFormula();
  const send = (formula: Formula, after: number) =>
    form.submit(({ reason }) =>
      save.mutate(
        { formula, reason: reason || 'No reason given', after },
        {
          onSuccess: () => onSaved(formula.id),
          onError: (error) => {
            if (error instanceof Refused && error.status === CHANGED_MEANWHILE && error.current)
              setTheirs(error.current as FormulaVersion);
          },
        },
      ),
    )();
  return { form, theirs, save, send };
}

/** Saves the next version with its reason. When somebody saved in between, both are shown to choose from. */
export function SaveSheet({
  open,
  formula,
  base,
  reason: proposed,
  foods,
  takenIds,
  onSaved,
  onTakeTheirs,
  onClose,
}: SaveSheetProps) {
  const { form, theirs, save, send } = useSaving(proposed, onSaved);
  const asCopy = () =>
    send(
      {
        ...formula,
        id: freeId(`${formula.id}-other`, takenIds),
        name: say('{name}, other', { name: formula.name }).slice(0, 60),
      },
      0,
    );
  const refused = save.error && !(save.error instanceof Refused && save.error.status === CHANGED_MEANWHILE);
  if (theirs) {
    return (
      <Theirs
        {...{ open, theirs, formula, foods, onClose, onTakeTheirs, asCopy }}
        problem={refused ? save.error?.message : undefined}
        onSaveYours={(after) => send(formula, after)}
      />
    );
  }
  return (
    <Sheet open={open} onClose={onClose} label="Save">
      <Heading>
        {base
          ? say('Save as version {version, number}', { version: base.version + 1 })
          : 'Save the new formula'}
      </Heading>
      <WordField
        name="reason"
        label="Reason, for later readers"
        value={form.text.reason}
        onText={(reason) => form.set({ reason })}
        placeholder={say('a drier flour lot')}
        error={form.problem('reason')}
      />
      {base ? (
        <DifferenceTable
          differences={compareFormulas(base, formula, foods)}
          before={say('version {version, number}', { version: base.version })}
          after="now"
        />
      ) : (
        <Label>{formula.name}</Label>
      )}
      {save.error && refused ? <FieldError id="save-error" message={save.error.message} /> : null}
      <PrimaryAction
        label="Save"
        onPress={() => send(formula, base?.version ?? 0)}
        disabled={save.isPending}
      />
    </Sheet>
  );
}
