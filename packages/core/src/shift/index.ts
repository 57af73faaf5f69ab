export { type CalendarAct, type FileDemand, demandFromCsv, demandFromIcs, planIcs } from './day/demandFile';
export { lastStart } from './day/lastStart';
export { type LineFacts, lessonsOfLine, shiftOfDay } from './day/lineBread';
export { type NextAct, isDue, nextActs } from './day/nextActs';
export { type Bar, type DayPicture, type Row, type StockCurve, dayPicture } from './day/picture';
export {
  type PlannedBatch,
  type ServiceAct,
  type ServiceDay,
  type ServiceRecord,
  serviceActSchema,
  serviceDaySchema,
  serviceRecordSchema,
} from './day/serviceDaySchema';
export {
  type BreadStock,
  type FoldedBatch,
  type TrayAct,
  foldAll,
  liveActs,
  stockOf,
} from './day/serviceState';
export { coldStock } from './day/coldStock';
export { type ReadyFrom, readyFrom } from './day/readyFrom';
export { lineBatches, momentOf, restOfPlan } from './day/dayMoment';
export { expectedPieces } from './demand/demand';
export { type LearnedTotal, learnWaves, learnedTotal } from './demand/history';
export { type DayKind, type ShiftDay, drawDay, usualDay } from './demand/shiftDay';
export { type Proposal, judgeChange, replan } from './follow/replan';
export { doughS, leadS, linePace } from './line/alone';
export { type Line, compileShift, loadOf } from './line/compile';
export { type LineLog, STAGE, litAtOf } from './line/lineState';
export { type SeenMoment, runShift, runUntil } from './line/runLine';
export { type Choice, type ExtraWorth, planChoices, worthOfExtras } from './planner/outlook';
export { drawDays, planShift, quickPlan, refusalOf } from './planner/planShift';
export { type WayInTime, readyBy, waysInTime } from './planner/readyBy';
export { inOrder, keepsRules } from './planner/rules';
export { estimateOf, planOnDays, worthOf } from './planner/score';
export { searchPlan } from './planner/search';
export {
  type Cold,
  type LineBread,
  SHIFT_FORMAT,
  SKILLS,
  type Shift,
  type ShiftBatch,
  type ShiftPlan,
  type Skill,
  type Wave,
  shiftDocumentSchema,
} from './shiftSchema';
