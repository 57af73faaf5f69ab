export type { Explanation } from './explanation';
export { choiceField, numberField, slugField, textField } from './fields';
export { InputError, parseInput, type Problem, problemsOf } from './problem';
