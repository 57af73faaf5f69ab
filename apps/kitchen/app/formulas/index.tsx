import { FormulasScreen } from '../../src/features/formulas/FormulasScreen';
import { bookParts } from '../../src/screens';

export default function Formulas() {
  return <FormulasScreen parts={bookParts} />;
}
