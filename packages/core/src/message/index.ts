export type { Explanation } from './explanation';
export { choiceField, countField, numberField, slugField, textField } from './fields';
export { type Language, languageSchema } from './languageSchema';
export { asText, type Message, message, type Quantity, sameWords, type Value, type Words } from './message';
export { InputError, parseInput, type Problem, problemsOf } from './problem';
export { ENGLISH, ENGLISH_US, type Reader, type Texts } from './reader';
export { writeAll } from './writeAll';
export { writeWords } from './writeWords';
export { wordsSchema } from './wordsSchema';
