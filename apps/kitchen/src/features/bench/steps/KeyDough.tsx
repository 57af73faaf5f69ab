import { asTyped } from '../../../reader/figures';
import { say } from '../../../reader/say';
import type { Step } from '@kettle-scale/core/plan';
import { parseQuantity } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import type { LiveBatch } from '../../../batch/useBatch';
import { useFormat } from '../../../ui/useFormat';
import { StepFrame } from '../StepFrame';
import { KeyedPad } from './Keyed';

interface KeyDoughProps {
  live: LiveBatch;
  step: Step;
  /** What is in the bowls less what stays in them, g. */
  expectedG: number;
  onWeighed: (massG: number) => void;
  onBack: () => void;
}

/** The whole dough's weight, typed. */
export function KeyDough({ live, step, expectedG, onWeighed, onBack }: KeyDoughProps) {
  const format = useFormat();
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
      undo={() => (typed === '' ? onBack() : setTyped(''))}
      others={[{ key: 'back', label: 'Back', onPress: onBack }]}
    >
      <KeyedPad
        unit={unit}
        typed={typed}
        onType={setTyped}
        label="The whole dough"
        tone="ink"
        expected={format.mass(expectedG)}
      />
    </StepFrame>
  );
}
