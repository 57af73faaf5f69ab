import { FormulasScreen } from '../../src/features/formulas/FormulasScreen';

export default function Formulas() {
  return <FormulasScreen />;
}
