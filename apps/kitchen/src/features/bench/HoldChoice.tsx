import { HOLDINGS, type Holding } from '@kettle-scale/core/kitchen';
import { holdLimitH } from '@kettle-scale/core/log';
import { formatSpan } from '@kettle-scale/core/quantity';
import { View } from 'react-native';
import { useKitchen } from '../../api/queries';
import { Choices } from '../../ui/input/Choices';
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
          {`Stack hot and wrap at once. Use within ${formatSpan(holdLimitH(kitchen.data ?? {}, value) * S_PER_H)}: follow your local food code; the person in charge decides.`}
        </Body>
      ) : null}
    </View>
  );
}
