import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../src/ui/layout/lazily';

const PlanScreen = lazily(async () => ({ default: (await import('../../src/screens/work')).PlanScreen }));

export default function Plan() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PlanScreen key={id} id={id} />;
}
