import { say } from '../../reader/say';
import { DEFAULT_KITCHEN, type Kitchen, kitchenSchema } from '@kettle-scale/core/kitchen';
import { SCALE_STEPS_G } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useChangeKitchen } from '../../api/changes';
import { Action } from '../../ui/input/actions';
import { FieldError } from '../../ui/input/Field';
import { numberTyped } from '../../ui/input/FigureField';
import { useTextForm } from '../../ui/input/useTextForm';
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
  | 'closesAt'
  | 'cooks'
  | 'learnPerCook'
  | 'timesChosen'
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
  // The scale's own step, in grams for every reader: its display says so.
  { name: 'benchStepG', label: 'Step of the bench scale, g', unit: '', shown: 1 },
  { name: 'fineStepG', label: 'Step of the fine scale, g', unit: '', shown: 1 },
  { name: 'fineMaxG', label: 'Most the fine scale can weigh', unit: 'g', shown: 1 },
  { name: 'bowlCapacityG', label: 'Most dough a bowl takes', unit: 'g', shown: 1 },
  { name: 'bowlMinimumG', label: 'Least dough it mixes well', unit: 'g', shown: 1 },
  { name: 'bowlLoss', label: 'Stays in bowl and on hands', unit: '%', shown: PERCENT },
  { name: 'benchLoss', label: 'Lost on the bench', unit: '%', shown: PERCENT },
  { name: 'benchMm', label: 'Bench, its shorter side', unit: 'mm', shown: 1 },
  { name: 'benchBalls', label: 'Balls the bench and trays hold', unit: '', shown: 1 },
  { name: 'altitudeM', label: 'Altitude above the sea', unit: 'm', shown: 1 },
];

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  field: { flexGrow: 1, flexBasis: 260 },
});

/** A bench that nobody measured has no figures; everything else starts from one. */
const MAY_BE_UNKNOWN: ReadonlySet<Field> = new Set(['benchMm', 'benchBalls']);

const shownText = (name: Field, value: number | undefined, shown: number): string =>
  value === undefined && MAY_BE_UNKNOWN.has(name) ? '' : String(Number(((value ?? 0) * shown).toFixed(6)));

const asText = (kitchen: Kitchen): Text =>
  Object.fromEntries(FIELDS.map(({ name, shown }) => [name, shownText(name, kitchen[name], shown)])) as Text;

const read = (text: Text): unknown =>
  Object.fromEntries(
    FIELDS.map(({ name, shown }) => {
      const typed = text[name].trim();
      return [name, typed === '' ? undefined : Number((numberTyped(typed) / shown).toFixed(9))];
    }),
  );

/** Scales, bowl and losses: what every plan starts from. */
export function KitchenForm({ kitchen }: { kitchen: Kitchen }) {
  const [begun, setBegun] = useState(kitchen);
  const save = useChangeKitchen(kitchen, begun);
  const { figure, isDirty, isRight, submit, reset } = useTextForm({
    ...{ first: asText(kitchen), read, schema: kitchenSchema, mode: 'onChange' },
  });
  const measured = FIELDS.some(({ name }) => (kitchen[name] ?? 0) !== (DEFAULT_KITCHEN[name] ?? 0));
  const keep = submit(({ benchMm = null, benchBalls = null, altitudeM = null, ...others }) =>
    save.mutate(
      { ...others, benchMm, benchBalls, altitudeM },
      {
        onSuccess: (saved) => {
          setBegun(saved);
          reset(asText(saved));
        },
      },
    ),
  );
  return (
    <Ticket>
      <Heading>The kitchen</Heading>
      <Body tone="soot">
        {say(
          'Plans start from these; a running batch keeps what it began with. Scales show {least, number} to {most, number} g in steps of 1, 2 or 5.',
          { least: Math.min(...SCALE_STEPS_G), most: Math.max(...SCALE_STEPS_G) },
        )}
      </Body>
      {measured ? null : (
        <Strong>Losses and scales are default values: nobody has set them for this kitchen.</Strong>
      )}
      <View style={styles.grid}>
        {FIELDS.map(({ name, label, unit }) => figure(name, label, unit, styles.field))}
      </View>
      {save.error ? <FieldError id="kitchen-error" message={save.error.message} /> : null}
      <Action label="Save the kitchen" onPress={keep} disabled={!isDirty || !isRight || save.isPending} />
      <View role="status">{save.isSuccess && !isDirty ? <Strong tone="sage">Saved.</Strong> : null}</View>
    </Ticket>
  );
}
