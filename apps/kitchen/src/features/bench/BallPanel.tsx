import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../../api/api';
import { ActionRow } from '../../ui/input/actions';
import { SPACE } from '../../ui/tokens';
import { Label } from '../../ui/type';

/** How far simulated balls are off, in turn, as shares of the target: a made-up hand. */
const HAND = [0.006, -0.011, 0.014, -0.004, 0.009, -0.015, 0.002, 0.018] as const;

const act = (what: Parameters<typeof api.deviceAct>[1]) => api.deviceAct('scale', what);

/** Puts balls on the simulated scale and lifts them again: for demonstrations and tests. */
export function BallPanel({ targetG }: { targetG: number }) {
  const [turn, setTurn] = useState(0);
  const put = async () => {
    await act({ act: 'clear' });
    await act({ act: 'place', massG: targetG * (1 + (HAND[turn % HAND.length] ?? 0)) });
    setTurn(turn + 1);
  };
  return (
    <View style={{ gap: SPACE.xs }}>
      <Label>Simulated scale: the bridge of a real one sends the same readings.</Label>
      <ActionRow
        actions={[
          { key: 'put', label: 'Put a ball on', onPress: () => void put() },
          { key: 'lift', label: 'Lift it', onPress: () => void act({ act: 'clear' }) },
        ]}
      />
    </View>
  );
}
