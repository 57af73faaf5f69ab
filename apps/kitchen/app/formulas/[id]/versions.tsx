import { useLocalSearchParams } from 'expo-router';
import { VersionsScreen } from '../../../src/features/formulas/VersionsScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <VersionsScreen key={id} id={id} />;
}
