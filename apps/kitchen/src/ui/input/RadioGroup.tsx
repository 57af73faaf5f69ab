import type { Words } from '@kettle-scale/core/message';
import type { KeyboardEvent } from 'react';
import { type TextStyle, View, type ViewStyle } from 'react-native';
import { Text } from '../Text';
import { say } from '../../reader/say';
import { useColours } from '../theme';
import { Press } from './Press';

interface RadioGroupProps<T extends string> {
  label: string;
  value: T | null;
  options: readonly (readonly [value: T, words: Words])[];
  onChange: (value: T) => void;
  style: ViewStyle;
  /** Of each option, by its place and whether it is chosen. */
  optionStyle: (index: number, chosen: boolean) => ViewStyle;
  wordStyle: TextStyle;
}

const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/**
 * Options of which one holds: one stop of the Tab key, arrows move among them, Space or Enter chooses. An arrow does not
 * choose by itself: on the bench a choice is an act of the batch.
 */
export function RadioGroup<T extends string>(props: RadioGroupProps<T>) {
  const { label, value, options, onChange, style, optionStyle, wordStyle } = props;
  const colours = useColours();
  const first = Math.max(
    0,
    options.findIndex(([option]) => option === value),
  );
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const step = STEPS[event.key];
    const radios = [...event.currentTarget.querySelectorAll<HTMLElement>('[role=radio]')];
    const at = radios.indexOf(document.activeElement as HTMLElement);
    const here = radios[at];
    // Reached by keyboard, Space is the option's; after a tap it stays the pedal's.
    if (event.key === ' ' && here?.matches(':focus-visible')) {
      event.preventDefault();
      here.click();
    }
    if (step === undefined || !here) return;
    event.preventDefault();
    radios[(at + step + radios.length) % radios.length]?.focus();
  };
  return (
    <View role="radiogroup" aria-label={say(label)} style={style} {...{ onKeyDown }}>
      {options.map(([option, words], index) => {
        const chosen = option === value;
        return (
          <Press
            key={option}
            role="radio"
            aria-checked={chosen}
            tabIndex={index === first ? 0 : -1}
            onPress={() => onChange(option)}
            style={optionStyle(index, chosen)}
          >
            <Text style={[wordStyle, { color: chosen ? colours.ground : colours.ink }]}>{words}</Text>
          </Press>
        );
      })}
    </View>
  );
}
