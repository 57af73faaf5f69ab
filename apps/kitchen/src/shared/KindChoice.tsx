import { KINDS_OF_BREAD, type KindOfBread } from '@kettle-scale/core/formula';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { say } from '../reader/say';
import { Action } from '../ui/input/actions';
import { Choices } from '../ui/input/Choices';
import { SPACE } from '../ui/tokens';
import { Label, Strong } from '../ui/type';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: SPACE.m },
  words: { flexShrink: 1 },
});

interface KindChoiceProps {
  kind: KindOfBread;
  /** Nobody has said it: its figures let one guess. */
  guessed: boolean;
  onChange: (kind: KindOfBread) => void;
}

/** The kind of bread, by which water, rests, words and standard are judged; a tap changes it. */
export function KindChoice({ kind, guessed, onChange }: KindChoiceProps) {
  const [open, setOpen] = useState(false);
  if (open) {
    return (
      <Choices
        label="Kind of bread"
        value={kind}
        options={KINDS_OF_BREAD.map((one) => [one, one] as const)}
        onChange={(chosen) => {
          onChange(chosen);
          setOpen(false);
        }}
      />
    );
  }
  return (
    <View style={styles.row}>
      <View style={styles.words}>
        <Label>{guessed ? 'Kind of bread, by its figures' : 'Kind of bread'}</Label>
        <Strong>{say(kind)}</Strong>
      </View>
      <Action label="Another kind" onPress={() => setOpen(true)} />
    </View>
  );
}
