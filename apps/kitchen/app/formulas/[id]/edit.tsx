import { useLocalSearchParams } from 'expo-router';
import { EditScreen } from '../../../src/features/edit/EditScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EditScreen key={id} id={id} />;
}
