export { calibrate, type Calibration } from './calibrate/calibrate';
export { type LoggedPiece, loggedPieceSchema } from './calibrate/loggedPieceSchema';
export {
  doubtOf,
  handsNow,
  type HandsNow,
  isLongPast,
  type OtherBatch,
  type OtherPiece,
  piecesOfOthers,
  type PlateStands,
} from './live/handsNow';
export {
  afterAct,
  type CountedBy,
  handsFreeMs,
  isJustTold,
  nextPlateAct,
  NOTHING_PUT_OFF,
  type PlateAct,
  plateActs,
  type PlateWork,
  putActOff,
  putAllOff,
  type PutOff,
} from './live/byItself';
export { type Colour, colourAsked, type PieceSeen, seenPieces } from './live/judging';
export { freePlace, type LivePiece, livePieces, nextPieceNumber } from './live/livePieces';
export { collision, collisionWords, cueWords, notReadyWords, placesForHands } from './live/livePlate';
export { afterTurn, type PlateTimes, rangeAt, rangeHolding, secondAfter, secondsAt } from './live/plateTimes';
export { NO_TRIM, type Trim, trimBy, trimmedSeconds, trimOf } from './live/trim';
export { bake } from './model/bake';
export type { BakeSetup } from './model/baking';
export { doughProperties, partsOfLines, partsOfPlainDough } from './model/composition';
export { plateAreaM2, plateOf } from './model/griddlePlate';
export { DEFAULT_AIR, DEFAULT_MODEL, MODEL_CONSTANTS, REFERENCE_MODEL } from './model/model';
export type { BakeOutcome } from './model/outcome';
export { plateAt, type PlateState, plateStep, STEEL_GRIDDLE } from './model/plate';
export { type BakeMoment, bakeSeries, type BakeSeries } from './model/series';
export { stagesOfSeconds } from './model/stages';
export { withFactors } from './model/withFactors';
export { HEAT_WORDS, heatSigns, type HeatWord } from './plate/heatWords';
export { hotSpots, type HotSpots, placeOffsetsC } from './plate/hotSpots';
export {
  breadDiameterMm,
  calibrationOf,
  griddleFor,
  paceFactsOf,
  placesOf,
  spreadsOf,
  USUAL_DOUGH_C,
} from './plate/kitchenRequest';
export {
  bakedThicknessMm,
  type BakeQuestion,
  questionOfFormula,
  questionOfPlan,
  ROLLED_STEP_MM,
} from './plate/question';
export { inUse, type TimesInUse } from './plate/inUse';
export { knobAdvice } from './plate/knob';
export {
  LIMITS,
  type Pace,
  type PaceFacts,
  type PaceLimit,
  paceOf,
  settling,
  type Settling,
  USUAL_HANDS,
} from './plate/pace';
export { packPieces, type Place } from './plate/packing';
export { type PanCycle, panOnBurner } from './plate/panCycle';
export { type PlateMoment, readySeconds, STEADY_C_PER_MIN, warmUp } from './plate/preheat';
export { twoWays, type TwoWays, type Way } from './plate/twoWays';
export { adviseSeconds } from './solve/advise';
export {
  atHeat,
  type BakeRequest,
  bakeWith,
  secondsOf,
  type Solution,
  programWith,
  stagesWith,
  turnsOnce,
} from './solve/bakeRequest';
export { type RobustTimes, THINNEST_MM, withPiece } from './solve/pieceSpread';
export { bakeRequestSchema, readBakeDocument } from './plate/requestSchema';
export { type Opinions, opinionsKey, opinionsOn, opinionsSchema } from './solve/opinions';
export { robustTimes } from './solve/robust';
export { opinionsWords, ownSecondsWords, rangesOf, unsteadyWords, whyNotWritten } from './solve/secondsWords';
export { solve, type SolvedBake, solveTimes } from './solve/solve';
export {
  EDGE_WORDS,
  limitWords,
  reachWords,
  sensitivityWords,
  troubleWords,
  wayOutWords,
} from './solve/solveText';
export { evenDraws, type PieceDraw, type Spreads, thicknessSdMm, USUAL_SPREADS } from './solve/spreads';
export { type BakeStandard, COMMON_STANDARD, isGood, judge, pliableFrom, standardOf } from './solve/standard';
export {
  heatFor,
  type Reach,
  sensitivities,
  type Sensitivity,
  thicknessFor,
  type WayOut,
  waysOut,
} from './solve/waysRound';
export { type BakeWindow, CODES, computeWindow, DEFAULT_AXES, finish, type WindowCode } from './solve/window';
export { firstSideLines, type Ring, type WindowPoint, windowRegions } from './solve/windowRegions';
