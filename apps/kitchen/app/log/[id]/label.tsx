import { useLocalSearchParams } from 'expo-router';
import { LabelScreen } from '../../../src/screens';

export default function BreadLabel() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LabelScreen key={id} id={id} />;
}
