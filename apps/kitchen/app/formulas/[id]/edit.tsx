import { useLocalSearchParams } from 'expo-router';
import { EditScreen } from '../../../src/screens';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EditScreen key={id} id={id} />;
}
