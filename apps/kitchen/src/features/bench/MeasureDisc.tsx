import { eventSchema } from '@kettle-scale/core/batch';
import { DISC_PLACES } from '@kettle-scale/core/portion';
import { type ReactNode, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { Action } from '../../ui/input/actions';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { FieldError } from '../../ui/input/Field';
import { Unfold } from '../../ui/layout/Unfold';
import { SPACE } from '../../ui/tokens';
import { Body } from '../../ui/type';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  field: { flexGrow: 1, flexBasis: 104 },
});

type Text = Record<'rolled' | 'across' | 'along' | (typeof DISC_PLACES)[number], string>;

const EMPTY: Text = {
  ...{ rolled: '', across: '', along: '' },
  ...{ middle: '', 'far edge': '', 'right edge': '', 'near edge': '', 'left edge': '' },
};

interface MeasureDiscProps {
  live: LiveBatch;
  /** What the last one came to, in sight. */
  verdict: ReactNode;
  /** The rest, at a tap. */
  more: ReactNode;
}

/** Two diameters and the one it was rolled to; at a tap a thickness or five, with ruler and calliper. */
export function MeasureDisc({ live, verdict, more }: MeasureDiscProps) {
  const [text, setText] = useState<Text>(EMPTY);
  const [problem, setProblem] = useState<string | null>(null);
  const field = (key: keyof Text, label: string) => (
    <FigureField
      key={key}
      name={`disc-${key.replace(' ', '-')}`}
      label={label}
      labelled
      unit="mm"
      value={text[key]}
      onText={(typed) => setText((was) => ({ ...was, [key]: typed }))}
      style={styles.field}
    />
  );
  const keep = () => {
    const body = {
      type: 'disc-measured' as const,
      diametersMm: [numberTyped(text.across), numberTyped(text.along)] as [number, number],
      thicknessesMm: DISC_PLACES.flatMap((place) =>
        text[place].trim() === '' ? [] : [{ place, mm: numberTyped(text[place]) }],
      ),
      ...(text.rolled.trim() === '' ? {} : { rolledMm: numberTyped(text.rolled) }),
    };
    const read = eventSchema.safeParse({ ...body, id: PROBE_ID, at: new Date().toISOString() });
    if (!read.success) {
      setProblem(read.error.issues[0]?.message ?? 'This cannot be read.');
      return;
    }
    setProblem(null);
    live.act(body);
    setText((was) => ({ ...EMPTY, rolled: was.rolled }));
  };
  return (
    <>
      <View style={styles.row}>
        {field('rolled', 'Rolled to')}
        {field('across', 'Across')}
        {field('along', 'Along')}
      </View>
      {problem ? <FieldError id="disc-error" message={problem} /> : null}
      <Action label="Save this disc" onPress={keep} disabled={text.across === '' || text.along === ''} />
      {verdict}
      <Unfold>
        <Body tone="soot">Thickness, as many as you like:</Body>
        <View style={styles.row}>{DISC_PLACES.map((place) => field(place, place))}</View>
        {more}
      </Unfold>
    </>
  );
}

/** Any id of the right form: only the figures are being tried. */
const PROBE_ID = '019a0000-0000-7000-8000-000000000000';
