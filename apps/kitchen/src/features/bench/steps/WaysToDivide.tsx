import { formatMoney } from '../../../reader/figures';
import { say, sayAll } from '../../../reader/say';

import type { DivideBy, Division } from '@kettle-scale/core/portion';
import { View } from 'react-native';
import { ActionRow } from '../../../ui/input/actions';
import { Table } from '../../../ui/layout/Table';
import { Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';

type Keep = DivideBy['by'];

const NAMES: Record<Keep, string> = { count: 'By count', ball: 'By weight', size: 'By size' };
const STEP: Record<Keep, number> = { count: 1, ball: 1, size: 5 };
const WORDS: Record<Keep, [string, string]> = {
  count: ['One piece less', 'One more'],
  ball: ['1 g lighter', '1 g heavier'],
  size: ['5 mm smaller', '5 mm larger'],
};

interface Props {
  ways: Record<Keep, Division>;
  keep: Keep;
  benchStepG: number;
  currency: string | undefined;
  priced: boolean;
  onStep: (by: number) => void;
}

/** What each way of dividing gives, side by side; the chosen one can be moved a step either way. */
export function WaysToDivide({ ways, keep, benchStepG, currency, priced, onStep }: Props) {
  const format = useFormat();
  const rows = (['count', 'ball', 'size'] as const).map((way) => {
    const { pieces, ballG, leftoverG, costPerPiece } = ways[way];
    return [
      sayAll([NAMES[way], way === keep && '●'], ' '),
      String(pieces),
      format.ball(ballG, benchStepG),
      format.mass(leftoverG),
      ...(priced ? [pieces > 0 ? formatMoney(costPerPiece, currency) : '–'] : []),
    ];
  });
  return (
    <View>
      <Table
        label="What each way gives"
        columns={['', 'pieces', 'each', 'left over', ...(priced ? ['a piece'] : [])]}
        rows={rows}
      />
      <Label>
        {say('Bread of {length} across, before it bakes.', { length: format.length(ways[keep].diameterMm) })}
      </Label>
      <ActionRow
        actions={[
          { key: 'less', label: WORDS[keep][0], onPress: () => onStep(-STEP[keep]) },
          { key: 'more', label: WORDS[keep][1], onPress: () => onStep(STEP[keep]) },
        ]}
      />
    </View>
  );
}
