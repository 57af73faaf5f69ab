import { useLocalSearchParams } from 'expo-router';
import { DiscScreen } from '../../../src/screens';

export default function OneDisc() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DiscScreen key={id} id={id} />;
}
