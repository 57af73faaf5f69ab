import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const DiscScreen = lazily(async () => ({ default: (await import('../../../src/screens/work')).DiscScreen }));

export default function OneDisc() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DiscScreen key={id} id={id} />;
}
