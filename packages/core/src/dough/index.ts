export { warmingBall, warmUpS } from './ballWarmUp';
export { correctFeel, type Correction, DOUGH_AIMS, type DoughAim, type Feel, FEELS, feelWord } from './feel';
export { equilibriumMoisture, hydrationAtMoisture, type Storage, storedMoisture } from './flourMoisture';
export {
  heatOfDegree,
  heatPart,
  type HeatPart,
  HYDRATION_HEAT_KJ_KG,
  mixedTemperature,
  waterForDough,
} from './heatBalance';
export { type Poke, POKES, relaxationMin, restFor, springBackAfter } from './springBack';
