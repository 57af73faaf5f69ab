import { IngredientsScreen } from '../../src/features/ingredients/IngredientsScreen';

export default function Ingredients() {
  return <IngredientsScreen />;
}
