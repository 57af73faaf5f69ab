/** The screens that plan, work and look back at batches, in one bundle of their own: the formula book opens without it. */
export { BatchScreen } from '../features/bench/BatchScreen';
export { BallsScreen } from '../features/bench/BallsScreen';
export { DiscScreen } from '../features/bench/DiscScreen';
export { BenchScreen } from '../features/bench/BenchScreen';
export { PlansScreen } from '../features/plan/PlansScreen';
export { PlanScreen } from '../features/plan/PlanScreen';
export { ChartsScreen } from '../features/log/ChartsScreen';
export { CompareScreen } from '../features/log/CompareScreen';
export { LabelScreen } from '../features/log/LabelScreen';
export { LogScreen } from '../features/log/LogScreen';
export { WrongScreen } from '../features/log/WrongScreen';
export { GriddleScreen } from '../features/griddle/times/GriddleScreen';
export { WindowScreen } from '../features/griddle/window/WindowScreen';
export { PlatesScreen } from '../features/griddle/plates/PlatesScreen';
export { LiveScreen } from '../features/griddle/live/LiveScreen';
export { LessonsScreen } from '../features/lessons/LessonsScreen';
