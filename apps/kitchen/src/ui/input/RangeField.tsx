import { say } from '../../reader/say';
import { createElement } from 'react';
import { StyleSheet, View } from 'react-native';
import { useColours } from '../theme';
import { SPACE, TOUCH } from '../tokens';
import { Figure, Label } from '../type';

interface RangeFieldProps {
  label: string;
  /** As shown, with its unit apart. */
  figure: { value: string; unit: string };
  value: number;
  min: number;
  max: number;
  step: number;
  onChange: (value: number) => void;
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between', gap: SPACE.m },
});

/** A setting that is dragged, or stepped by the arrow keys; the browser's own slider, as tall as a wet thumb needs. */
export function RangeField({ label, figure, value, min, max, step, onChange }: RangeFieldProps) {
  const colours = useColours();
  return (
    <View>
      <View style={styles.head}>
        <Label>{label}</Label>
        <Figure value={figure.value} unit={figure.unit} size={30} />
      </View>
      {createElement('input', {
        type: 'range',
        'aria-label': say(label),
        'aria-valuetext': `${figure.value} ${figure.unit}`,
        ...{ min, max, step, value },
        onChange: (event: { target: { value: string } }) => onChange(Number(event.target.value)),
        style: { width: '100%', height: TOUCH.other, margin: 0, accentColor: colours.ember },
      })}
    </View>
  );
}
