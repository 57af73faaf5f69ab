import type { Method } from './methodSchema';

const KNEAD_TEST_WORDS: Record<Method['knead']['test'], string> = {
  'dent-stays': 'a finger dent stays',
  'springs-back': 'a finger dent springs back',
  'clean-bowl': 'the dough leaves the bowl clean',
  'hands-clean': 'hands come away clean',
  'smooth-tacky': 'it is smooth and just tacky',
  'no-cracks': 'its skin is without cracks',
  stretch: 'it stretches thin without tearing',
};

/**
 * The test that ends kneading, in words.
 * @param plan its formula
 */
export const kneadTestWords = (plan: {
  formula: { method: { knead: Pick<Method['knead'], 'test'> } };
}): string => KNEAD_TEST_WORDS[plan.formula.method.knead.test];
