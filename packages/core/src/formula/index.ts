export { packWords } from './allergens';
export { type BakePhase, bakePhases, bakeSecondsOf, beforePlate, plateCFor } from './bakePhases';
export { checkFormula } from './checkFormula';
export { checkWorkable } from './checkWorkable';
export { compareFormulas, type Difference, type DifferencePart } from './compareFormulas';
export { pricePerG } from './cost';
export {
  addLine,
  blendFlours,
  type Draft,
  draftDoughG,
  draftFlourG,
  type DraftLine,
  type FoodOf,
  moveLine,
  removeLine,
  setFraction,
  setGrams,
  setIngredient,
  setLocked,
  setLate,
  setNote,
  setTotal,
  toDraft,
  toFormula,
} from './draft';
export { type FatWay, fatWay } from './fatWay';
export { formulaFacts, type FormulaFacts } from './formulaFacts';
export { type Formula, FORMULA_FORMAT_VERSION, formulaSchema, type ResolvedLine } from './formulaSchema';
export { hydrationSpread, type HydrationSpread, massOfMeasure } from './hydrationSpread';
export { guessKind, hasGluten, kindOfBread } from './kindOfBread';
export { type KindOfBread, KINDS_OF_BREAD, USUAL_DOUGH, USUAL_WORK } from './kindsOfBread';
export { kneadTestWords } from './kneadTestWords';
export {
  type BakeProgram,
  FATS_IN,
  FOLDS,
  HANDS,
  LAID_OUT,
  PLIABLE,
  KNEAD_TESTS,
  type KneadAgain,
  MIXING_SCHOOLS,
  PLATE_CARES,
  type PlateCare,
  type ProductStandard,
  PUFFS,
  REST_TESTS,
  type Rest,
  SPEEDS,
  SPOTS,
} from './methodSchema';
export { resolveOnBread } from './onBread';
export { ON_BREAD_WHEN, type OnBreadWhen } from './onBreadWhen';
export { doughTotals } from './percentages';
export { ingredientsOf, resolveLines } from './resolveLines';
export { missingIngredients } from './foodsOf';
export { freeId, slugOf } from './slug';
export { methodWords, roundWords } from './methodWords';
export { careWords, workedBy } from './workWords';
export { workedAsUsual } from './workedAsUsual';
export { goodWords } from './goodWords';
export { substitute, type SwapResult, swapsFor } from './substitute';
