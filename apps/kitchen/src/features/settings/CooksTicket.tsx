import { freeId, slugOf } from '@kettle-scale/core/formula';
import { type Kitchen, type KitchenCook, cookSchema } from '@kettle-scale/core/kitchen';
import { useCallback, useState } from 'react';
import { useChangeKitchen, useMakeNameless } from '../../api/changes';
import { DeleteAction } from '../../ui/input/DeleteAction';
import { FieldError } from '../../ui/input/Field';
import { Segments } from '../../ui/input/Segments';
import { WordField } from '../../ui/input/WordField';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { useTextForm } from '../../ui/input/useTextForm';
import { Caution } from '../../ui/layout/Caution';
import { Sheet } from '../../ui/layout/Sheet';
import { Ticket } from '../../ui/layout/Ticket';
import { Unfold } from '../../ui/layout/Unfold';
import { Body, Heading } from '../../ui/type';

type Text = Pick<KitchenCook, 'id' | 'name'>;
const NEW: Text = { id: '', name: '' };

interface CookFormProps {
  text: Text;
  taken: ReadonlySet<string>;
  problem: string | undefined;
  onSave: (cook: KitchenCook) => void;
  onLeave: (() => void) | null;
}

function CookForm({ text: first, taken, problem, onSave, onLeave }: CookFormProps) {
  const {
    text,
    set,
    problem: at,
    submit,
  } = useTextForm({
    first,
    schema: cookSchema,
    read: ({ id, name }) => ({ name: name.trim(), id: id || freeId(slugOf(name), taken) }),
  });
  return (
    <>
      <Heading>{first.name || 'A cook'}</Heading>
      <WordField
        name="cook-name"
        label="Name, or what the others call them"
        value={text.name}
        onText={(name) => set({ name })}
        error={at('name')}
      />
      {problem ? <FieldError id="cook-error" message={problem} /> : null}
      <PrimaryAction label="Save" onPress={submit(onSave)} />
      {onLeave ? (
        <>
          <DeleteAction label="Has left" means="remove the name" onPress={onLeave} />
          <Body tone="soot">Records of past batches keep the name.</Body>
        </>
      ) : null}
    </>
  );
}

/** Takes the name of a cook out of everything; said in full before it is done. */
function Nameless({ onNameless, problem }: { onNameless: () => void; problem: string | undefined }) {
  return (
    <>
      <DeleteAction label="Make nameless" means="take the name out of all records" onPress={onNameless} />
      <Body tone="soot">
        Batches, notes, shifts and lessons keep the work and lose the name, for good. Backups made before
        still have it, and so does the name of a phone.
      </Body>
      {problem ? <FieldError id="nameless-error" message={problem} /> : null}
    </>
  );
}

/** Who works here, each to be chosen on a phone with one tap; and whether the kitchen learns from each of them. */
export function CooksTicket({ kitchen }: { kitchen: Kitchen }) {
  const [open, setOpen] = useState<(Text & { kitchen: Kitchen }) | null>(null);
  const save = useChangeKitchen(kitchen, open?.kitchen);
  const close = useCallback(() => setOpen(null), []);
  const all = kitchen.cooks ?? [];
  const here = all.filter(({ gone }) => !gone);
  const left = all.filter(({ gone }) => gone);
  const nameless = useMakeNameless();
  const store = (cooks: KitchenCook[]) => save.mutate({ cooks }, { onSuccess: close });
  /** Into the list as it was when the sheet was opened: what others changed since is not undone by it. */
  const put = (cook: KitchenCook) => {
    const begun = open?.kitchen.cooks ?? [];
    store(
      begun.some(({ id }) => id === cook.id)
        ? begun.map((one) => (one.id === cook.id ? cook : one))
        : [...begun, cook],
    );
  };
  return (
    <Ticket>
      <Heading>Cooks</Heading>
      {here.length === 0 ? (
        <Body>Name the cooks: what is done on a phone is recorded under the cook who is chosen there.</Body>
      ) : null}
      {here.map(({ id, name }) => (
        <Action key={id} label={name} onPress={() => setOpen({ id, name, kitchen })} />
      ))}
      <Action label="Add a cook" onPress={() => setOpen({ ...NEW, kitchen })} />
      {left.length > 0 ? (
        <Unfold label="Who has left">
          {left.map(({ id, name }) => (
            <Action key={id} label={name} onPress={() => setOpen({ id, name, kitchen })} />
          ))}
        </Unfold>
      ) : null}
      {here.length > 0 ? (
        <Segments
          labelled
          label="Learn feel and times of each cook"
          value={kitchen.learnPerCook === false ? 'off' : 'on'}
          options={[
            ['on', 'Where cooks differ'],
            ['off', 'Switched off'],
          ]}
          onChange={(value) => save.mutate({ learnPerCook: value === 'on' })}
        />
      ) : null}
      <Caution
        lead="Ask first."
        text="The log shows everybody here who did what. Tell your cooks before you name them, and follow the law on records of work where you are."
      />
      <Sheet open={open !== null} onClose={close} label="Cook">
        {open ? (
          <CookForm
            text={{ id: open.id, name: open.name }}
            taken={new Set(all.map(({ id }) => id))}
            problem={save.error?.message}
            onSave={put}
            onLeave={
              here.some(({ id }) => id === open.id)
                ? () => put({ id: open.id, name: open.name, gone: true })
                : null
            }
          />
        ) : null}
        {open?.id ? (
          <Nameless
            problem={nameless.error?.message}
            onNameless={() => nameless.mutate(open.id, { onSuccess: close })}
          />
        ) : null}
      </Sheet>
    </Ticket>
  );
}
