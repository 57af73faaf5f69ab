/** Lists read as people write them. Kept apart from the rest of core so that an app loads it only where it is used. */
export { answersOf } from './asking';
export type { ListWords } from './inEnglish';
export { listFormula } from './listFormula';
export { listKind } from './listKind';
export { listWarnings } from './listWarnings';
export { readList } from './readList';
export type { Answers, Question, ReadLine, ReadList } from './readListTypes';
export { readingDocument } from './readingDocument';
