export type { Explanation } from './explanation';
export { choiceField, countField, numberField, slugField, textField } from './fields';
export { InputError, parseInput, type Problem, problemsOf } from './problem';
