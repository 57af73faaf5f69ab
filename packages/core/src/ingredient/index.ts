export { CATALOGUE, kitchenIngredients } from './catalogue';
export { heatCapacity } from './heatCapacity';
export {
  type Allergen,
  ALLERGENS,
  FILL_METHODS,
  type FillMethod,
  type Ingredient,
  INGREDIENT_KINDS,
  ingredientSchema,
} from './ingredientSchema';
export { weighOnce } from './weighOnce';
