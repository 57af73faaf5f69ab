import { diameterField, thicknessField } from '@kettle-scale/core/batch';
import { DISC_PLACES } from '@kettle-scale/core/portion';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { Action } from '../../ui/input/actions';
import { numberTyped, typedOrNone } from '../../ui/input/FigureField';
import { useTextForm } from '../../ui/input/useTextForm';
import { Unfold } from '../../ui/layout/Unfold';
import { SPACE } from '../../ui/tokens';
import { Body } from '../../ui/type';
import { z } from 'zod';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  field: { flexGrow: 1, flexBasis: 104 },
});

const EMPTY = { rolled: '', across: '', along: '', at: DISC_PLACES.map(() => '') };

const discSchema = z.object({
  rolled: diameterField('Rolled diameter').optional(),
  across: diameterField('Diameter'),
  along: diameterField('Diameter across'),
  /** One for each place, where it was taken. */
  at: z.array(thicknessField('Thickness').optional()),
});

interface MeasureDiscProps {
  live: LiveBatch;
  /** What the last one came to, in sight. */
  verdict: ReactNode;
  /** The rest, at a tap. */
  more: ReactNode;
}

/** Two diameters and the one it was rolled to; at a tap a thickness or five, with ruler and calliper. */
export function MeasureDisc({ live, verdict, more }: MeasureDiscProps) {
  const { text, figure, submit, reset } = useTextForm({
    first: EMPTY,
    schema: discSchema,
    read: (typed) => ({
      rolled: typedOrNone(typed.rolled),
      across: numberTyped(typed.across),
      along: numberTyped(typed.along),
      at: typed.at.map(typedOrNone),
    }),
  });
  const keep = submit(({ rolled, across, along, at }) => {
    live.act({
      type: 'disc-measured',
      diametersMm: [across, along],
      thicknessesMm: DISC_PLACES.flatMap((place, i) => {
        const mm = at[i];
        return mm === undefined ? [] : [{ place, mm }];
      }),
      ...(rolled === undefined ? {} : { rolledMm: rolled }),
    });
    reset({ ...EMPTY, rolled: text.rolled });
  });
  return (
    <>
      <View style={styles.row}>
        {figure('rolled', 'Rolled to', 'mm', styles.field)}
        {figure('across', 'Across', 'mm', styles.field)}
        {figure('along', 'Along', 'mm', styles.field)}
      </View>
      <Action label="Save this disc" onPress={keep} disabled={text.across === '' || text.along === ''} />
      {verdict}
      <Unfold>
        <Body tone="soot">Thickness, as many as you like:</Body>
        <View style={styles.row}>
          {DISC_PLACES.map((place, i) => figure(`at.${i}`, place, 'mm', styles.field))}
        </View>
        {more}
      </Unfold>
    </>
  );
}
