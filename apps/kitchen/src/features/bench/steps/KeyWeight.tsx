import { asTyped } from '../../../reader/figures';
import { say } from '../../../reader/say';
import { parseQuantity } from '@kettle-scale/core/quantity';
import { checkWeight } from '@kettle-scale/core/batch';
import { useState } from 'react';
import { useFormat } from '../../../ui/useFormat';
import { StepFrame } from '../StepFrame';
import { KeyedPad } from './Keyed';

import { type WeighPart, byHand, toneOf, topUpTitle } from './weighPart';

/** What the scale showed, typed. */
export function KeyWeight(part: WeighPart & { onBack: () => void }) {
  const { live, step, line, inBowl, onBack, onDoubt } = part;
  const format = useFormat();
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
      // What was keyed is no act yet: undo clears it, and takes nothing back that was weighed before.
      undo={() => (typed === '' ? onBack() : setTyped(''))}
      others={[{ key: 'key', label: 'Back', onPress: onBack }]}
    >
      <KeyedPad
        unit={unit}
        typed={typed}
        onType={setTyped}
        label="The scale shows"
        tone={toneOf(line)}
        wanted={format.mass(inBowl.targetG - (inBowl.weighedG ?? 0), line.stepG)}
      />
    </StepFrame>
  );
}
