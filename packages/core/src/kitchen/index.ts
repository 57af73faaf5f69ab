export { type Conditions, conditionsSchema, ORDINARY_DAY } from './conditionsSchema';
export { FITTED } from './fittedNames';
export { FLAMES, type FlameSetting, type Griddle, griddleSchema, MATERIALS } from './griddleSchema';
export { BREAD_TO, COLDNESS, DEFAULT_HOLD_H, type Holding, HOLDINGS, WASTE_REASONS } from './holdings';
export { DEFAULT_COLD_LIMIT_H, DEFAULT_FRIDGE_DOUGH_H, DEFAULT_KITCHEN } from './kitchenDefaults';
export {
  cookNames,
  cookSchema,
  type Kitchen,
  type KitchenChange,
  kitchenChangeSchema,
  type KitchenCook,
  kitchenSchema,
  type Mixer,
  mixerSchema,
  type TimesChosen,
  timesChosenSchema,
} from './kitchenSchema';
export { chosenFor, withTimesChosen } from './timesChosen';
export { withChange } from './withChange';
