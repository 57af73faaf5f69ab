export { clockText, readClock } from './day/clockText';
export { type CalendarAct, demandFromCsv, demandFromIcs, type FileDemand, planIcs } from './day/demandFile';
export { lastStart } from './day/lastStart';
export { type NextAct, nextActs } from './day/nextActs';
export { type BreadFacts, lineBreadOf, shiftOfDay } from './day/lineBread';
export { type Bar, type DayPicture, dayPicture, type Row, type StockCurve } from './day/picture';
export {
  type PlannedBatch,
  type ServiceAct,
  type ServiceDay,
  type ServiceRecord,
  serviceActSchema,
  serviceDaySchema,
  serviceRecordSchema,
  WASTE_REASONS,
} from './day/serviceDaySchema';
export {
  type BreadStock,
  clockOf,
  foldAll,
  type FoldedBatch,
  momentOf,
  restOfPlan,
  stockOf,
} from './day/serviceState';
export { learnWaves, type PastDay } from './demand/history';
export { demandBand, expectedPieces, newsvendorPieces, slotMeans, type DemandBand } from './demand/demand';
export { drawDay, usualDay, type DayKind, type ShiftDay } from './demand/shiftDay';
export { beliefsAt, futureDays, type Belief } from './follow/futures';
export { notBegun, replan, type Proposal } from './follow/replan';
export { doughS, latestStart, linePace, mostBalls, pieceOffsets, type LatestStart } from './line/alone';
export { HAND_S, actsS, compileShift, doughG, loadOf, onPlaceS, type Line } from './line/compile';
export { serve } from './line/guests';
export { STAGE, type BreadCount, type LineAct, type LineLog, type LineMoment } from './line/lineState';
export {
  closeService,
  produce,
  runShift,
  runUntil,
  type LineProduct,
  type SeenMoment,
  type ShiftOutcome,
} from './line/runLine';
export { mend } from './planner/firstPlan';
export { AIMS, type Aim, type Choice, type ExtraWorth, planChoices, worthOfExtras } from './planner/outlook';
export { drawDays, planShift, quickPlan, refusalOf, type Planned } from './planner/planShift';
export { type ReadyAsk, readyBy, type WayInTime, waysInTime } from './planner/readyBy';
export { asUsual, inOrder, keepsRules } from './planner/rules';
export {
  estimateOf,
  pairedDifference,
  planOnDays,
  worthOf,
  type DayResult,
  type Estimate,
  type PlanWorth,
} from './planner/score';
export { searchPlan } from './planner/search';
export {
  SHIFT_FORMAT,
  SKILLS,
  shiftDocumentSchema,
  shiftPlanSchema,
  shiftSchema,
  type LineBread,
  type Shift,
  type ShiftBatch,
  type ShiftDocument,
  type ShiftPlan,
  type Skill,
  type Wave,
} from './shiftSchema';
