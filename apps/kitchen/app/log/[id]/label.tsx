import { useLocalSearchParams } from 'expo-router';
import { lazily } from '../../../src/ui/layout/lazily';

const LabelScreen = lazily(async () => ({
  default: (await import('../../../src/screens/work')).LabelScreen,
}));

export default function BreadLabel() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LabelScreen key={id} id={id} />;
}
