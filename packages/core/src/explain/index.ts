export { explainFigure, type FigureId } from './explain';
export { explainDivision, explainLoss, explainRolling, explainTarget } from './explainBench';
export { explainFormula, explainSpread, type FormulaFigure } from './explainFormula';
export { explainRest, explainToday, type TodayFigure } from './explainToday';
