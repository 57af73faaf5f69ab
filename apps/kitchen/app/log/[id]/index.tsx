import { useLocalSearchParams } from 'expo-router';
import { LogScreen } from '../../../src/screens';

export default function OneBatch() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LogScreen key={id} id={id} />;
}
