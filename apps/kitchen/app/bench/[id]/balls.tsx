import { useLocalSearchParams } from 'expo-router';
import { BallsScreen } from '../../../src/screens';

export default function Balls() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BallsScreen key={id} id={id} />;
}
