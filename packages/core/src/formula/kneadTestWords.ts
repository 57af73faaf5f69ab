import type { Method } from './methodSchema';

const KNEAD_TEST_WORDS: Record<Method['knead']['test'], string> = {
  'dent-stays': 'a finger dent stays',
  'springs-back': 'a finger dent springs back',
  'clean-bowl': 'the bowl comes clean',
  'hands-clean': 'hands come away clean',
  'smooth-tacky': 'it is smooth, just tacky',
  'no-cracks': 'it shows no cracks',
  stretch: 'it stretches without tearing',
};

/**
 * The test that ends kneading, in words.
 * @param plan its formula
 */
export const kneadTestWords = (plan: {
  formula: { method: { knead: Pick<Method['knead'], 'test'> } };
}): string => KNEAD_TEST_WORDS[plan.formula.method.knead.test];
