import { useLocalSearchParams } from 'expo-router';
import { WrongScreen } from '../../../src/screens';

export default function Wrong() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WrongScreen key={id} id={id} />;
}
