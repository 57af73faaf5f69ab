import { useLocalSearchParams } from 'expo-router';
import { CardScreen } from '../../../src/screens';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CardScreen key={id} id={id} />;
}
