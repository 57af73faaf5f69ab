import { say } from '../../../reader/say';
import type { EventBody } from '@kettle-scale/core/batch';
import { DEFAULT_FRIDGE_DOUGH_H, type Kitchen } from '@kettle-scale/core/kitchen';
import { View } from 'react-native';
import { Choices } from '../../../ui/input/Choices';
import { SPACE } from '../../../ui/tokens';
import { Body, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';

export type Leftover = Extract<EventBody, { type: 'leftover' }>['as'];

interface Props {
  massG: number;
  ballG: number;
  kitchen: Kitchen;
  value: Leftover;
  onChange: (value: Leftover) => void;
}

/** What becomes of dough that no ball is made of. */
export function LeftoverChoice({ massG, ballG, kitchen, value, onChange }: Props) {
  const format = useFormat();
  const hours = kitchen.fridgeDoughH ?? DEFAULT_FRIDGE_DOUGH_H;
  const shorts = Math.max(1, Math.round(massG / ballG));
  const words: Record<Leftover, string> = {
    'short batch': say(
      '{shorts, number} {shorts, plural, one {piece} other {pieces}} of {mass}, baked with the rest.',
      { shorts, mass: format.ball(massG / shorts, kitchen.benchStepG) },
    ),
    'fridge dough': say(
      'Airtight and at once into the fridge; its clock runs for {hours, number} h. Follow your local food code.',
      { hours },
    ),
    waste: 'Counted, so that the next batch is planned smaller.',
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Strong>{say('{mass} of dough is left over.', { mass: format.mass(massG) })}</Strong>
      <Choices
        label="What happens to it"
        value={value}
        options={[
          ['short batch', 'Short batch'],
          ['fridge dough', 'Fridge dough'],
          ['waste', 'Waste'],
        ]}
        onChange={onChange}
      />
      <Body tone="soot">{words[value]}</Body>
    </View>
  );
}
