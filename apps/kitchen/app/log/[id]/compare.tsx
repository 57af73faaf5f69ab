import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const CompareScreen = lazily(async () => ({
  default: (await import('../../../src/screens/work')).CompareScreen,
}));

export default function Compare() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CompareScreen key={id} id={id} />;
}
