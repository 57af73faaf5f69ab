export { GRAMS_PER_OUNCE, MM_PER_INCH } from './customary';
export { clockText, type DayClock, dayClock, readClock } from './clock';
export {
  addDays,
  type Day,
  dayOf,
  daysBetween,
  type DayStyle,
  formatDay,
  formatMoment,
  isZone,
  startOfDayMs,
  type Zone,
} from './days';
export {
  ballFigure,
  bulkFigure,
  type Figure,
  formatClock,
  formatFigure,
  formatLength,
  formatBulk,
  figureText,
  formatMass,
  formatMoney,
  formatPercent,
  formatSpan,
  formatTemp,
  formatTempDifference,
  lengthFigure,
  massFigure,
  METRIC,
  type Reads,
  tempFigure,
  thicknessFigure,
  type UnitSystem,
  US,
  volumeFigure,
} from './formatQuantity';
export type { Interval } from './interval';
export { parseQuantity } from './parseQuantity';
export { numberOrNaN, numberQuestion, readNumber, type Told } from './readNumber';
export { roundToStep, SCALE_STEPS_G, sumG } from './roundToStep';
export { forReader, readerUnit, readText, storedText } from './readerUnit';
export { type Measures, type Unit, unitsFor } from './units';
