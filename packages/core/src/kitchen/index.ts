export { type Conditions, conditionsSchema, ORDINARY_DAY } from './conditionsSchema';
export { FITTED } from './fittedNames';
export { type Griddle, griddleSchema, MATERIALS } from './griddleSchema';
export { type Holding, HOLDINGS } from './holdings';
export {
  DEFAULT_COLD_LIMIT_H,
  DEFAULT_FRIDGE_DOUGH_H,
  DEFAULT_HOLD_H,
  DEFAULT_KITCHEN,
  type Kitchen,
  kitchenSchema,
  type Mixer,
  mixerSchema,
} from './kitchenSchema';
