import { useLocalSearchParams } from 'expo-router';
import { SwapScreen } from '../../../src/screens';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <SwapScreen key={id} id={id} />;
}
