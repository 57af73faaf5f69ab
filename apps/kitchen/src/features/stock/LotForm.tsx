import { say } from '../../reader/say';
import type { Day } from '@kettle-scale/core/quantity';
import { type FlourLot, type LotState, countedKgField, flourLotSchema } from '@kettle-scale/core/flourLot';
import { freeId, slugOf } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { StyleSheet, View } from 'react-native';
import { useSaveFlourLot } from '../../api/changes';
import { useToday } from '../../shared/useDays';
import { PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { numberTyped } from '../../ui/input/FigureField';
import { FieldError } from '../../ui/input/Field';
import { SPACE } from '../../ui/tokens';
import { Body, Heading } from '../../ui/type';
import { useTextForm } from '../../ui/input/useTextForm';
import { DayField } from '../../ui/input/DayField';
import { WordField } from '../../ui/input/WordField';
import { z } from 'zod';

const countSchema = z.object({ left: countedKgField });
const PERCENT = 100;
const G_PER_KG = 1000;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flexGrow: 1, flexBasis: 140 },
});

interface LotFormProps {
  /** To correct; null to receive one. */
  lot: FlourLot | null;
  taken: readonly string[];
  flours: readonly Ingredient[];
  currency: string;
  onDone: () => void;
}

type Text = {
  name: string;
  ingredient: string;
  receivedOn: string;
  bagKg: string;
  bags: string;
  bagPrice: string;
  moisture: string;
  storage: 'open' | 'closed';
};

const asText = (lot: FlourLot | null, flours: readonly Ingredient[], today: Day): Text => ({
  name: lot?.name ?? '',
  ingredient: lot?.ingredient ?? flours[0]?.id ?? '',
  receivedOn: lot?.receivedOn ?? today,
  bagKg: String(lot?.bagKg ?? 25),
  bags: String(lot?.bags ?? 1),
  bagPrice: lot?.bagPrice === undefined ? '' : String(lot.bagPrice),
  moisture: lot?.moisture === undefined ? '' : String(Number((lot.moisture * PERCENT).toFixed(1))),
  storage: lot?.storage ?? 'closed',
});

/** A figure that may be left out. */
const whereTyped = (field: string, typed: string, scale = 1): Record<string, number> =>
  typed.trim() === '' ? {} : { [field]: numberTyped(typed) / scale };

/** Receive a delivery, or correct what was written of one. */
export function LotForm({ lot, taken, flours, currency, onDone }: LotFormProps) {
  const save = useSaveFlourLot(lot);
  const today = useToday();
  const { text, set, problem, figure, submit } = useTextForm({
    first: asText(lot, flours, today),
    schema: flourLotSchema,
    read: (typed) => ({
      ...{ ingredient: typed.ingredient, name: typed.name, receivedOn: typed.receivedOn },
      ...{ bagKg: numberTyped(typed.bagKg), bags: numberTyped(typed.bags), storage: typed.storage },
      id: lot?.id ?? freeId(slugOf(typed.name), new Set(taken)),
      ...whereTyped('bagPrice', typed.bagPrice),
      ...whereTyped('moisture', typed.moisture, PERCENT),
      ...(lot?.counted ? { counted: lot.counted } : {}),
      ...(lot?.closed === undefined ? {} : { closed: lot.closed }),
    }),
  });
  const keep = submit((received) => save.mutate(received, { onSuccess: onDone }));
  return (
    <>
      <Heading>{lot ? say('Correct {name}', { name: lot.name }) : 'Receive a lot'}</Heading>
      <WordField
        name="lot-name"
        label="What you call it"
        value={text.name}
        onText={(name) => set({ name })}
        error={problem('name')}
      />
      <Choices
        label="Flour"
        value={text.ingredient}
        onChange={(ingredient) => set({ ingredient })}
        options={flours.map(({ id, name }) => [id, name] as const)}
      />
      <View style={styles.row}>
        {figure('bags', 'Bags', '', styles.cell)}
        {figure('bagKg', 'A bag', 'kg', styles.cell)}
        {figure('bagPrice', 'Price of a bag, if known', currency, styles.cell)}
        {figure('moisture', 'Moisture, if the mill says', '%', styles.cell)}
      </View>
      <DayField
        name="lot-day"
        label="Came on"
        value={text.receivedOn}
        onText={(receivedOn) => set({ receivedOn })}
        error={problem('receivedOn')}
      />
      <Choices
        label="Kept in"
        value={text.storage}
        onChange={(storage) => set({ storage })}
        options={[
          ['closed', 'Closed bags'],
          ['open', 'An open bin'],
        ]}
      />
      {save.error ? <FieldError id="lot-error" message={save.error.message} /> : null}
      <PrimaryAction label={lot ? 'Save' : 'Receive it'} onPress={keep} disabled={save.isPending} />
    </>
  );
}

interface CountFormProps {
  lot: LotState;
  /** The lot as it is stored now, and as it is to be with this count. */
  before: FlourLot;
  onSave: (leftG: number) => FlourLot;
  onDone: () => void;
}

/** What the bin really holds: the count outweighs the sums. */
export function CountForm({ lot, before, onSave, onDone }: CountFormProps) {
  const save = useSaveFlourLot(before);
  const { figure, isRight, submit } = useTextForm({
    first: { left: (lot.leftG / G_PER_KG).toFixed(1) },
    mode: 'onChange',
    read: ({ left }) => ({ left: numberTyped(left) }),
    schema: countSchema,
  });
  const keep = submit(({ left }) => save.mutate(onSave(left * G_PER_KG), { onSuccess: onDone }));
  return (
    <>
      <Heading>{say('Count {name}', { name: lot.name })}</Heading>
      <Body tone="soot">Weigh or count what is there now. From here on batches are taken off this.</Body>
      {figure('left', 'Left now', 'kg')}
      {save.error ? <FieldError id="count-error" message={save.error.message} /> : null}
      <PrimaryAction label="Save the count" disabled={!isRight || save.isPending} onPress={keep} />
    </>
  );
}
