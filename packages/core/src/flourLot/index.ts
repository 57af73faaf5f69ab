export {
  countedKgField,
  type FlourLot,
  flourLotSchema,
  type LotState,
  lotStateSchema,
  type LotUse,
} from './flourLotSchema';
export {
  kitchenMean,
  learnLotOffset,
  type LotOffset,
  newLotOffset,
  nextBatchReach,
  offsetReach,
} from './lotOffset';
export { lotState, lotToday } from './lotState';
