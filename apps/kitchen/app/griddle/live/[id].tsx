import { useLocalSearchParams } from 'expo-router';
import { LiveScreen } from '../../../src/screens';

export default function LiveGriddle() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LiveScreen key={id} id={id} />;
}
