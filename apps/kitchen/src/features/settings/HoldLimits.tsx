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
import { useChangeKitchen } from '../../api/changes';
import { Action } from '../../ui/input/actions';
import { numberTyped } from '../../ui/input/FigureField';
import { FieldError } from '../../ui/input/Field';
import { useTextForm } from '../../ui/input/useTextForm';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Strong } from '../../ui/type';

/** As the kitchen's record has them, typed. */
interface Text {
  [field: string]: unknown;
  holdH: Record<Holding, string>;
  fridgeDoughH: string;
}

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  field: { flexGrow: 1, flexBasis: 150 },
});

const each = <T,>(of: (how: Holding) => T) =>
  Object.fromEntries(HOLDINGS.map((how) => [how, of(how)])) as Record<Holding, T>;

const asText = ({ holdH, fridgeDoughH }: Kitchen): Text => ({
  holdH: each((how) => String(holdH?.[how] ?? DEFAULT_HOLD_H[how])),
  fridgeDoughH: String(fridgeDoughH ?? DEFAULT_FRIDGE_DOUGH_H),
});

/** How long bread and leftover dough may be held: the kitchen's own figures, below what its local code allows. */
export function HoldLimits({ kitchen }: { kitchen: Kitchen }) {
  const [begun, setBegun] = useState(kitchen);
  const save = useChangeKitchen(kitchen, begun);
  const { figure, isDirty, isRight, submit, reset } = useTextForm({
    first: asText(kitchen),
    schema: kitchenSchema,
    mode: 'onChange',
    read: (typed) => ({
      ...kitchen,
      holdH: each((how) => numberTyped(typed.holdH[how])),
      fridgeDoughH: numberTyped(typed.fridgeDoughH),
    }),
  });
  const keep = submit(({ holdH, fridgeDoughH }) =>
    save.mutate(
      { holdH, fridgeDoughH },
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
      <Heading>How long bread is held</Heading>
      <Body tone="soot">
        Hours from when it is put away. These are only default values: follow your local food code; the person
        in charge decides.
      </Body>
      <View style={styles.grid}>
        {HOLDINGS.map((how) => figure(`holdH.${how}`, how, 'h', styles.field))}
        {figure('fridgeDoughH', 'fridge dough', 'h', styles.field)}
      </View>
      {save.error ? <FieldError id="hold-error" message={save.error.message} /> : null}
      <Action label="Save the times" disabled={!isDirty || !isRight || save.isPending} onPress={keep} />
      <View role="status">{save.isSuccess && !isDirty ? <Strong tone="sage">Saved.</Strong> : null}</View>
    </Ticket>
  );
}
