import { asTyped } from '../../../reader/figures';
import { say } from '../../../reader/say';
import type { Step } from '@kettle-scale/core/plan';
import { parseQuantity } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Keypad } from '../../../ui/input/Keypad';
import { BigFigure, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';

interface KeyDoughProps {
  live: LiveBatch;
  step: Step;
  onWeighed: (massG: number) => void;
  onBack: () => void;
}

/** The whole dough's weight, typed. */
export function KeyDough({ live, step, onWeighed, onBack }: KeyDoughProps) {
  const format = useFormat();
  const width = useStepWidth();
  const [typed, setTyped] = useState('');
  const unit = format.units === 'metric' ? 'g' : 'oz';
  const parsed = parseQuantity(typed, { defaultUnit: unit });
  const typedG = parsed.ok ? parsed.quantity.amount : null;
  return (
    <StepFrame
      {...{ live, step }}
      primary={{
        label:
          typedG === null
            ? 'Key in the scale'
            : say('The dough weighs {typed} {unit}', { typed: asTyped(typed), unit }),
        disabled: typedG === null,
        onPress: () => {
          if (typedG !== null) onWeighed(typedG);
          onBack();
        },
      }}
      others={[{ key: 'back', label: 'Back', onPress: onBack }]}
    >
      <View>
        <Label>The whole dough on the scale</Label>
        <BigFigure value={asTyped(typed) || '0'} unit={unit} width={width} />
      </View>
      <Keypad text={typed} onChange={setTyped} />
    </StepFrame>
  );
}
