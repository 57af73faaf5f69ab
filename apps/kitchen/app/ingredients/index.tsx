import { IngredientsScreen } from '../../src/screens';

export default function Ingredients() {
  return <IngredientsScreen />;
}
