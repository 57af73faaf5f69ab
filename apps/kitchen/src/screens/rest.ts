/**
 * Everything that the first page does not show, in one bundle that is fetched once the first page stands. One, because
 * Metro moves what two bundles share into the first load.
 */
export { BallsScreen } from '../features/bench/BallsScreen';
export { BatchScreen } from '../features/bench/BatchScreen';
export { BenchScreen } from '../features/bench/BenchScreen';
export { DiscScreen } from '../features/bench/DiscScreen';
export { EditScreen } from '../features/edit/EditScreen';
export { SwapScreen } from '../features/edit/SwapScreen';
export { BringIn } from '../features/formulas/BringIn';
export { CardScreen } from '../features/formulas/CardScreen';
export { FormulaPage } from '../features/formulas/FormulaPage';
export { TakeBook } from '../features/formulas/TakeOut';
export { VersionsScreen } from '../features/formulas/VersionsScreen';
export { LiveScreen } from '../features/griddle/live/LiveScreen';
export { PlatesScreen } from '../features/griddle/plates/PlatesScreen';
export { GriddleScreen } from '../features/griddle/times/GriddleScreen';
export { WindowScreen } from '../features/griddle/window/WindowScreen';
export { IngredientsScreen } from '../features/ingredients/IngredientsScreen';
export { LessonsScreen } from '../features/lessons/LessonsScreen';
export { ChartsScreen } from '../features/log/ChartsScreen';
export { CompareScreen } from '../features/log/CompareScreen';
export { LabelScreen } from '../features/log/LabelScreen';
export { LogScreen } from '../features/log/LogScreen';
export { WrongScreen } from '../features/log/WrongScreen';
export { PlanScreen } from '../features/plan/PlanScreen';
export { PlansScreen } from '../features/plan/PlansScreen';
export { HandOverScreen } from '../features/service/HandOverScreen';
export { ServiceEditScreen } from '../features/service/ServiceEditScreen';
export { StartWatch } from '../features/service/StartWatch';
export { ServiceScreen } from '../features/service/ServiceScreen';
export { HeldSheet } from '../features/shift/heldSheet';
export { ReadyBoard } from '../features/shift/ReadyBoard';
export { SettingsScreen } from '../features/settings/SettingsScreen';
export { StockScreen } from '../features/stock/StockScreen';
export { WriteScreen } from '../features/write/WriteScreen';
