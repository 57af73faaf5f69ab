import { useLocalSearchParams } from 'expo-router';
import { FormulasScreen } from '../../../src/features/formulas/FormulasScreen';

export default function OneFormula() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FormulasScreen id={id} />;
}
