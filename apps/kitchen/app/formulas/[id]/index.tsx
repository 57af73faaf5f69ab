import { useLocalSearchParams } from 'expo-router';
import { bookParts } from '../../../src/screens';
import { FormulasScreen } from '../../../src/features/formulas/FormulasScreen';

export default function OneFormula() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <FormulasScreen id={id} parts={bookParts} />;
}
