import { parseQuantity, roundToStep } from '@kettle-scale/core';
import { StyleSheet, View } from 'react-native';
import { Segments } from '../../ui/Segments';
import { StepperField } from '../../ui/StepperField';
import { SPACE } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { type NeedText, bareUnit, typedMass } from './planForm';

/** One press of − or +, in grams or pieces. */
const STEP = { pieces: 1, ball: 1, flour: 100 } as const;
const GRAMS_PER_OUNCE_STEP = 28.349523125 / 10;

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: SPACE.l } });

interface NeedFieldsProps {
  text: NeedText;
  errors: Partial<Record<keyof NeedText, string>>;
  onChange: (field: keyof NeedText, value: string) => void;
}

/** How much is needed: pieces × ball weight, or the flour at hand. */
export function NeedFields({ text, errors, onChange }: NeedFieldsProps) {
  const { units } = useFormat();
  const unit = units === 'metric' ? 'g' : 'oz';

  const stepMass = (field: 'ball' | 'flour') => (direction: 1 | -1) => {
    const parsed = parseQuantity(text[field], { defaultUnit: bareUnit(units) });
    const stepG = units === 'us' && field === 'ball' ? GRAMS_PER_OUNCE_STEP : STEP[field];
    const fromG = parsed.ok && parsed.quantity.kind === 'mass' ? parsed.quantity.amount : 0;
    const steps = Math.max(1, Math.round(fromG / stepG) + direction);
    onChange(field, typedMass(units === 'us' ? steps * stepG : roundToStep(steps * stepG, 1), units));
  };
  const stepPieces = (direction: 1 | -1) => {
    const now = Number.parseInt(text.pieces, 10) || 0;
    onChange('pieces', String(Math.max(1, now + direction * STEP.pieces)));
  };

  return (
    <View style={{ gap: SPACE.m }}>
      <Segments
        label="How much"
        value={text.by}
        onChange={(by) => onChange('by', by)}
        options={[
          ['pieces', 'By pieces'],
          ['flour', 'By flour at hand'],
        ]}
      />
      <View style={styles.row}>
        {text.by === 'pieces' ? (
          <StepperField
            name="pieces"
            label="Pieces"
            text={text.pieces}
            onText={(value) => onChange('pieces', value)}
            onStep={stepPieces}
            error={errors.pieces}
          />
        ) : (
          <StepperField
            name="flour"
            label={`Flour at hand, ${unit}`}
            text={text.flour}
            onText={(value) => onChange('flour', value)}
            onStep={stepMass('flour')}
            error={errors.flour}
          />
        )}
        <StepperField
          name="ball"
          label={`Ball, ${unit}`}
          text={text.ball}
          onText={(value) => onChange('ball', value)}
          onStep={stepMass('ball')}
          error={errors.ball}
        />
      </View>
    </View>
  );
}
