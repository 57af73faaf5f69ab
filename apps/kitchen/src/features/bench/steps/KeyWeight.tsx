import { asTyped } from '../../../reader/figures';
import { say } from '../../../reader/say';
import { parseQuantity } from '@kettle-scale/core/quantity';
import { checkWeight } from '@kettle-scale/core/batch';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Keypad } from '../../../ui/input/Keypad';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';

import { type WeighPart, byHand, toneOf, topUpTitle } from './weighPart';

const styles = StyleSheet.create({ middle: { gap: SPACE.s } });

/** What the scale showed, typed. */
export function KeyWeight(part: WeighPart & { onBack: () => void }) {
  const { live, step, line, inBowl, onBack, onDoubt } = part;
  const format = useFormat();
  const width = useStepWidth();
  const [typed, setTyped] = useState('');
  const unit = format.units === 'metric' ? 'g' : 'oz';
  const parsed = parseQuantity(typed, { defaultUnit: unit });
  const typedG = parsed.ok ? parsed.quantity.amount : null;
  const use = () => {
    if (typedG === null) return;
    const massG = (inBowl.weighedG ?? 0) + typedG;
    if (checkWeight(live.batch.plan, live.state, step, massG).verdict !== 'right') return onDoubt(massG);
    onBack();
    live.act(byHand(step, massG));
  };
  return (
    <StepFrame
      {...{ live, step }}
      {...topUpTitle(part)}
      primary={{
        label:
          typedG === null ? 'Key in the scale' : say('Use {typed} {unit}', { typed: asTyped(typed), unit }),
        onPress: use,
        disabled: typedG === null,
      }}
      others={[{ key: 'key', label: 'Back', onPress: onBack }]}
    >
      <View style={styles.middle}>
        <Label>The scale shows</Label>
        <BigFigure
          {...{ unit, width }}
          value={asTyped(typed) || '0'}
          tone={toneOf(line)}
          label={`${asTyped(typed)} ${unit}`}
        />
      </View>
      <Keypad text={typed} onChange={setTyped} />
    </StepFrame>
  );
}
