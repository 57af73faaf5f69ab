import { useLocalSearchParams } from 'expo-router';
import { VersionsScreen } from '../../../src/screens';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VersionsScreen key={id} id={id} />;
}
