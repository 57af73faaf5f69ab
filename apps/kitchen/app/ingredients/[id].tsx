import { useLocalSearchParams } from 'expo-router';
import { IngredientsScreen } from '../../src/screens';

export default function OneIngredient() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <IngredientsScreen id={id} />;
}
