import { useLocalSearchParams } from 'expo-router';
import { LogScreen } from '../../src/features/log/LogScreen';

export default function OneBatch() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LogScreen id={id} />;
}
