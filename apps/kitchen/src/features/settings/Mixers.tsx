import { say } from '../../reader/say';
import { freeId, slugOf } from '@kettle-scale/core/formula';
import {
  DEFAULT_COLD_LIMIT_H,
  type Kitchen,
  type Mixer,
  kitchenSchema,
  mixerSchema,
} from '@kettle-scale/core/kitchen';
import { useCallback, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useChangeKitchen } from '../../api/changes';
import { DeleteAction } from '../../ui/input/DeleteAction';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { Sheet } from '../../ui/layout/Sheet';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { Body, Heading } from '../../ui/type';
import { useTextForm } from '../../ui/input/useTextForm';
import { WordField } from '../../ui/input/WordField';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flexGrow: 1, flexBasis: 140 },
});

type Text = Record<'minG' | 'maxG' | 'warmCPerMin' | 'openingMm', string> & Pick<Mixer, 'id' | 'name' | 'by'>;

const asText = (mixer: Mixer): Text => ({
  ...mixer,
  minG: String(mixer.minG),
  maxG: String(mixer.maxG),
  warmCPerMin: String(mixer.warmCPerMin),
  openingMm: String(mixer.openingMm),
});

const NEW: Text = {
  id: '',
  name: '',
  by: 'machine',
  minG: '500',
  maxG: '5000',
  warmCPerMin: '0.5',
  openingMm: '350',
};

interface MixerFormProps {
  text: Text;
  onSave: (mixer: Mixer) => void;
  onRemove: (() => void) | null;
  problem: string | undefined;
  /** Ids of the others. */
  taken: ReadonlySet<string>;
}

function MixerForm({ text: first, onSave, onRemove, problem, taken }: MixerFormProps) {
  const {
    text,
    set,
    problem: at,
    figure,
    submit,
  } = useTextForm({
    first,
    schema: mixerSchema,
    read: ({ id, name, by, minG, maxG, warmCPerMin, openingMm }) => ({
      ...{ name, by, id: id || freeId(slugOf(name), taken) },
      ...{ minG: numberTyped(minG), maxG: numberTyped(maxG) },
      ...{ warmCPerMin: numberTyped(warmCPerMin), openingMm: numberTyped(openingMm) },
    }),
  });
  return (
    <>
      <Heading>{text.id ? text.name : 'A bowl or mixer'}</Heading>
      <WordField
        name="mixer-name"
        label="Name"
        value={text.name}
        onText={(name) => set({ name })}
        error={at('name')}
      />
      <Choices
        label="Worked by"
        value={text.by}
        onChange={(by) => set({ by })}
        options={[
          ['hand', 'Hand'],
          ['machine', 'Machine'],
        ]}
      />
      <View style={styles.row}>
        {figure('minG', 'Least it mixes well', 'g', styles.cell)}
        {figure('maxG', 'Most it takes', 'g', styles.cell)}
        {figure('warmCPerMin', 'Warms the dough a minute', 'K', styles.cell)}
        {figure('openingMm', 'Opening across', 'mm', styles.cell)}
      </View>
      <Body tone="soot">Warming: probe the dough, run five minutes, probe again, divide by five.</Body>
      {problem ? <FieldError id="mixer-error" message={problem} /> : null}
      <PrimaryAction label="Save" onPress={submit(onSave)} />
      {onRemove ? <DeleteAction label="Delete" means="delete this bowl" onPress={onRemove} /> : null}
    </>
  );
}

/** A bowl in the sheet, and the kitchen that it was taken from. */
interface Open {
  text: Text;
  kitchen: Kitchen;
}

/** Bowls and machines with what they take and how they warm a dough; and the limit for perishable dough. */
export function Mixers({ kitchen }: { kitchen: Kitchen }) {
  const format = useFormat();
  const [open, setOpen] = useState<Open | null>(null);
  const save = useChangeKitchen(kitchen, open?.kitchen);
  const close = useCallback(() => setOpen(null), []);
  const [limit, setLimit] = useState(String(kitchen.coldLimitH ?? DEFAULT_COLD_LIMIT_H));
  const mixers = kitchen.mixers ?? [];
  /** As they were when the sheet was opened: what others changed since is not undone by it. */
  const begun = open?.kitchen.mixers ?? [];
  const store = (next: Mixer[]) => save.mutate({ mixers: next }, { onSuccess: close });
  const checkedLimit = kitchenSchema.shape.coldLimitH.safeParse(numberTyped(limit));
  return (
    <Ticket>
      <Heading>Bowls and mixers</Heading>
      {mixers.map((mixer) => (
        <Action
          key={mixer.id}
          label={say('{name}: {value} to {bulk}{by}', {
            name: mixer.name,
            value: format.bulkFigure(mixer.minG).value,
            bulk: format.bulk(mixer.maxG),
            by:
              mixer.by === 'machine'
                ? `, +${Number(format.read(mixer.warmCPerMin, 'K/min').toFixed(2))} ${format.unitOf('K/min')}`
                : '',
          })}
          onPress={() => setOpen({ text: asText(mixer), kitchen })}
        />
      ))}
      <Action label="Add a bowl or mixer" onPress={() => setOpen({ text: NEW, kitchen })} />
      <FigureField
        labelled
        name="cold-limit"
        label="Milk, yogurt or egg dough out of the cold, at most in all"
        unit="h"
        value={limit}
        onText={(typed) => {
          setLimit(typed);
          const checked = kitchenSchema.shape.coldLimitH.safeParse(numberTyped(typed));
          if (checked.success && checked.data !== undefined) save.mutate({ coldLimitH: checked.data });
        }}
        error={checkedLimit.success ? undefined : checkedLimit.error.issues[0]?.message}
      />
      <Body tone="soot">Follow your local food code; the person in charge decides.</Body>
      <Sheet open={open !== null} onClose={close} label="Bowl or mixer">
        {open ? (
          <MixerForm
            text={open.text}
            taken={new Set(mixers.map(({ id }) => id))}
            problem={save.error?.message}
            onSave={(mixer) =>
              store(
                open.text.id
                  ? begun.map((other) => (other.id === open.text.id ? mixer : other))
                  : [...begun, mixer],
              )
            }
            onRemove={open.text.id ? () => store(begun.filter(({ id }) => id !== open.text.id)) : null}
          />
        ) : null}
      </Sheet>
    </Ticket>
  );
}
