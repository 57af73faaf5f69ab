export { warmingBall, warmUpS } from './ballWarmUp';
export { correctFeel, type Correction, type Feel, FEELS } from './feel';
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
