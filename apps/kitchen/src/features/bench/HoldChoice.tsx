import { say } from '../../reader/say';
import { HOLDINGS, type Holding } from '@kettle-scale/core/kitchen';
import { holdLimitH, keepingCaution } from '@kettle-scale/core/log';
import { View } from 'react-native';
import { useKitchen } from '../../api/queries';
import { Choices } from '../../ui/input/Choices';
import { Caution } from '../../ui/layout/Caution';
import { SPACE } from '../../ui/tokens';
import { Body } from '../../ui/type';

const S_PER_H = 3600;

/** What the good bread is put into; its clock starts with the batch's end. */
export function HoldChoice({ value, onChange }: { value: Holding | null; onChange: (how: Holding) => void }) {
  const kitchen = useKitchen();
  return (
    <View style={{ gap: SPACE.xs }}>
      <Choices
        label="Held in"
        value={value}
        options={HOLDINGS.map((how) => [how, how])}
        onChange={onChange}
      />
      {value ? (
        <Body tone="soot">
          {say(
            'Stack hot and wrap at once. Use within {holdLimitH}: follow your local food code; the person in charge decides.',
            { holdLimitH: { s: holdLimitH(kitchen.data ?? {}, value) * S_PER_H } },
          )}
        </Body>
      ) : null}
      {value && keepingCaution(value) ? (
        <Caution lead="Before it is closed." text={keepingCaution(value) ?? ''} />
      ) : null}
    </View>
  );
}
