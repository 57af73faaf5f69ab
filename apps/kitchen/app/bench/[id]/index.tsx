import { useLocalSearchParams } from 'expo-router';
import { BatchScreen } from '../../../src/screens';

export default function RunningBatch() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BatchScreen key={id} id={id} />;
}
