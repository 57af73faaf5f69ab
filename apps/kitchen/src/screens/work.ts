/** The screens that plan and work a batch, in one bundle of their own: the formula book opens without it. */
export { BatchScreen } from '../features/bench/BatchScreen';
export { BenchScreen } from '../features/bench/BenchScreen';
export { LogScreen } from '../features/log/LogScreen';
export { PlansScreen } from '../features/plan/PlansScreen';
export { PlanScreen } from '../features/plan/PlanScreen';
