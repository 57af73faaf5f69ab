import { useLocalSearchParams } from 'expo-router';
import { PlanScreen } from '../../src/screens';

export default function Plan() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <PlanScreen key={id} id={id} />;
}
