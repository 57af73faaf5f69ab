import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const BatchScreen = lazily(async () => ({
  default: (await import('../../../src/screens/work')).BatchScreen,
}));

export default function RunningBatch() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BatchScreen key={id} id={id} />;
}
