import { useLocalSearchParams } from 'expo-router';
import { CompareScreen } from '../../../src/screens';

export default function Compare() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CompareScreen key={id} id={id} />;
}
