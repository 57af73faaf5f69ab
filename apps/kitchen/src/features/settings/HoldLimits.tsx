import {
  DEFAULT_FRIDGE_DOUGH_H,
  DEFAULT_HOLD_H,
  HOLDINGS,
  type Holding,
  type Kitchen,
  kitchenSchema,
} from '@kettle-scale/core/kitchen';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSaveKitchen } from '../../api/queries';
import { Action } from '../../ui/input/actions';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Strong } from '../../ui/type';

type Field = Holding | 'fridge dough';
const FIELDS: readonly Field[] = [...HOLDINGS, 'fridge dough'];

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  field: { flexGrow: 1, flexBasis: 150 },
});

const nowOf = ({ holdH, fridgeDoughH }: Kitchen, field: Field): number =>
  field === 'fridge dough'
    ? (fridgeDoughH ?? DEFAULT_FRIDGE_DOUGH_H)
    : (holdH?.[field] ?? DEFAULT_HOLD_H[field]);

/** How long bread and leftover dough may be held: the kitchen's own figures, below what its local code allows. */
export function HoldLimits({ kitchen }: { kitchen: Kitchen }) {
  const save = useSaveKitchen();
  const [typed, setTyped] = useState<Partial<Record<Field, string>>>({});
  const hours = (field: Field) =>
    typed[field] === undefined ? nowOf(kitchen, field) : numberTyped(typed[field]);
  const changed: Kitchen = {
    ...kitchen,
    holdH: Object.fromEntries(HOLDINGS.map((how) => [how, hours(how)])),
    fridgeDoughH: hours('fridge dough'),
  };
  const read = kitchenSchema.safeParse(changed);
  const problemOf = (field: Field) =>
    read.success
      ? undefined
      : read.error.issues.find(({ path }) =>
          field === 'fridge dough' ? path[0] === 'fridgeDoughH' : path[0] === 'holdH' && path[1] === field,
        )?.message;
  const dirty = Object.keys(typed).length > 0;
  return (
    <Ticket>
      <Heading>How long bread is held</Heading>
      <Body tone="soot">
        Hours from when it is put away. These are only starting figures: follow your local food code; the
        person in charge decides.
      </Body>
      <View style={styles.grid}>
        {FIELDS.map((field) => (
          <FigureField
            key={field}
            name={`hold-${field.replaceAll(' ', '-')}`}
            label={field}
            labelled
            unit="h"
            value={typed[field] ?? String(nowOf(kitchen, field))}
            onText={(text) => setTyped((was) => ({ ...was, [field]: text }))}
            error={problemOf(field)}
            style={styles.field}
          />
        ))}
      </View>
      {save.error ? <FieldError id="hold-error" message={save.error.message} /> : null}
      <Action
        label="Save the times"
        disabled={!dirty || !read.success || save.isPending}
        onPress={() => read.success && save.mutate(read.data, { onSuccess: () => setTyped({}) })}
      />
      <View role="status">{save.isSuccess && !dirty ? <Strong tone="sage">Saved.</Strong> : null}</View>
    </Ticket>
  );
}
