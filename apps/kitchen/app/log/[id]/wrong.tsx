import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const WrongScreen = lazily(async () => ({
  default: (await import('../../../src/screens/work')).WrongScreen,
}));

export default function Wrong() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WrongScreen key={id} id={id} />;
}
