/** Files in and out. Kept apart from the rest of core so that an app loads it only when a file is handled. */
export { cardHtml } from './card';
export { bookToCsv } from './csv';
export { labelHtml } from './labelHtml';
export { logCsv, logDocument, logRow } from './logRows';
export { type FileContents, readFormulaFile } from './readFile';
export { recipeOf } from './recipe';
