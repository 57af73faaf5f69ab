import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const BallsScreen = lazily(async () => ({
  default: (await import('../../../src/screens/work')).BallsScreen,
}));

export default function Balls() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BallsScreen key={id} id={id} />;
}
