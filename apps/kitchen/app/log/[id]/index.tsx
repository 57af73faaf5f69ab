import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const LogScreen = lazily(async () => ({ default: (await import('../../../src/screens/work')).LogScreen }));

export default function OneBatch() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LogScreen key={id} id={id} />;
}
