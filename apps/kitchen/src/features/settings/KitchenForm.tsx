import { DEFAULT_KITCHEN, type Kitchen, kitchenSchema } from '@kettle-scale/core/kitchen';
import { SCALE_STEPS_G, numberOrNaN, numberQuestion } from '@kettle-scale/core/quantity';
import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { z } from 'zod';
import { useSaveKitchen } from '../../api/queries';
import { Action } from '../../ui/input/actions';
import { FieldError } from '../../ui/input/Field';
import { FigureField } from '../../ui/input/FigureField';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Strong } from '../../ui/type';

/** The figures; cups, money and mixers stand beside them. */
type Field = Exclude<
  keyof Kitchen,
  | 'measures'
  | 'currency'
  | 'timeZone'
  | 'mixers'
  | 'coldLimitH'
  | 'holdH'
  | 'fridgeDoughH'
  | 'lessonsOff'
  | 'griddles'
>;
type Text = Record<Field, string>;

interface FieldSpec {
  name: Field;
  label: string;
  unit: string;
  /** Shown percent per stored fraction, or 1. */
  shown: number;
}

const PERCENT = 100;

const FIELDS: readonly FieldSpec[] = [
  { name: 'benchStepG', label: 'Step of the bench scale', unit: 'g', shown: 1 },
  { name: 'fineStepG', label: 'Step of the fine scale', unit: 'g', shown: 1 },
  { name: 'fineMaxG', label: 'Most the fine scale carries', unit: 'g', shown: 1 },
  { name: 'bowlCapacityG', label: 'Most dough a bowl takes', unit: 'g', shown: 1 },
  { name: 'bowlMinimumG', label: 'Least dough it mixes well', unit: 'g', shown: 1 },
  { name: 'bowlLoss', label: 'Stays in bowl and on hands', unit: '%', shown: PERCENT },
  { name: 'benchLoss', label: 'Lost on the bench', unit: '%', shown: PERCENT },
  { name: 'altitudeM', label: 'Altitude above the sea', unit: 'm', shown: 1 },
];

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  field: { flexGrow: 1, flexBasis: 260 },
});

const asText = (kitchen: Kitchen): Text =>
  Object.fromEntries(
    FIELDS.map(({ name, shown }) => [name, String(Number(((kitchen[name] ?? 0) * shown).toFixed(6)))]),
  ) as Text;

/** Typed text in, the kitchen's record out; core's schema has the last word on every field. */
const textSchema = z.record(z.string(), z.string()).transform((text, context): Kitchen => {
  const numbers = Object.fromEntries(
    FIELDS.map(({ name, shown }) => {
      const typed = (text[name] ?? '').trim();
      const question = numberQuestion(typed);
      if (question) context.addIssue({ code: 'custom', path: [name], message: question });
      return [name, typed === '' ? undefined : Number((numberOrNaN(typed) / shown).toFixed(9))];
    }),
  );
  const kitchen = kitchenSchema.safeParse(numbers);
  if (kitchen.success) return kitchen.data;
  for (const { path, message } of kitchen.error.issues)
    context.addIssue({ code: 'custom', path: [...path], message });
  return z.NEVER;
});

/** Scales, bowl and losses: what every plan starts from. */
export function KitchenForm({ kitchen }: { kitchen: Kitchen }) {
  const save = useSaveKitchen();
  const form = useForm<Text, unknown, Kitchen>({
    mode: 'onChange',
    resolver: zodResolver(textSchema as unknown as z.ZodType<Kitchen, Text>),
    defaultValues: asText(kitchen),
  });
  const { errors, isDirty } = form.formState;
  const measured = FIELDS.some(({ name }) => (kitchen[name] ?? 0) !== (DEFAULT_KITCHEN[name] ?? 0));
  const submit = form.handleSubmit((changed) => {
    save.mutate({ ...kitchen, ...changed }, { onSuccess: (saved) => form.reset(asText(saved)) });
  });
  return (
    <Ticket>
      <Heading>The kitchen</Heading>
      <Body tone="soot">{`Plans start from these; a running batch keeps what it began with. Scales show ${SCALE_STEPS_G[0]} to ${SCALE_STEPS_G.at(-1)} g in steps of 1, 2 or 5.`}</Body>
      {measured ? null : (
        <Strong>Losses and scales are starting figures: nobody has set them for this kitchen.</Strong>
      )}
      <View style={styles.grid}>
        {FIELDS.map(({ name, label, unit }) => (
          <Controller
            key={name}
            control={form.control}
            name={name}
            render={({ field }) => (
              <FigureField
                labelled
                {...{ name, label, unit }}
                value={field.value}
                onText={field.onChange}
                error={errors[name]?.message}
                style={styles.field}
              />
            )}
          />
        ))}
      </View>
      {save.error ? <FieldError id="kitchen-error" message={save.error.message} /> : null}
      <Action
        label="Save the kitchen"
        onPress={() => void submit()}
        disabled={!isDirty || Object.keys(errors).length > 0 || save.isPending}
      />
      <View role="status">{save.isSuccess && !isDirty ? <Strong tone="sage">Saved.</Strong> : null}</View>
    </Ticket>
  );
}
