import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const LiveScreen = lazily(async () => ({ default: (await import('../../../src/screens/work')).LiveScreen }));

export default function LiveGriddle() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LiveScreen key={id} id={id} />;
}
