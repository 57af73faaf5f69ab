export { undoneWords } from './actWords';
export { type Batch, batchSchema, type BatchStart, batchStartSchema } from './batchSchema';
export { coldChain } from './coldChain';
export { ballsAtHand, ballsMade, coldStore, workableAtMs } from './coldStore';
export {
  abandonedSchema,
  CORRECTABLE,
  diameterField,
  FOLDED,
  inspectedSchema,
  noteSchema,
  rightedSchema,
  TEARS,
  thicknessField,
} from './actFields';
export {
  BALLS_GONE,
  type BallsGone,
  type BatchEvent,
  HELPS,
  type Help,
  type EventBody,
  type EventOf,
  eventSchema,
  isSimulated,
  type Reject,
  REJECTS,
} from './eventSchema';
export { type Fold, foldBatch, openFold } from './foldBatch';
export { forgettable, forgottenCure, type ForgottenCure } from './forgotten';
export { begunTwice } from './begunTwice';
export { type BatchState, type BowlState, goodPieces, piecesMade, type StepState } from './batchState';
export { lastPress, liveEvents } from './liveEvents';
export { canTakeOut, checkWeight, ifKept, type Kept, offerRescale, type WeighCheck } from './overPour';
export { ballForCountG, batchRecord } from './record';
export { type BatchRecord, type BatchSummary, batchSummarySchema } from './recordSchema';
export { careDue } from './plateCare';
export { type Refusal, refuseEvent } from './refuseEvent';
export { lawAgeOf, restAdvice, restAfterDisc } from './restAdvice';
export {
  additionG,
  correctionFor,
  correctionLines,
  runningDough,
  type RunningDough,
  topUps,
  wantedHydration,
} from './runningDough';
export { ballStandard, skippedWords } from './skippedWater';
export { liveWindow } from './stepTimes';
export { type Who, whoDid } from './whoDid';
export { asSent, OWN_SCREEN } from './whoSchema';
export { type TimeWindow, windowAt } from './timeWindow';
