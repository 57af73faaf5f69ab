import { kindOfBread } from '../formula/kindOfBread';
import type { KindOfBread } from '../formula/kindsOfBread';
import { resolveLines } from '../formula/resolveLines';
import type { Plan } from './planSchema';

/**
 * The kind of bread that a plan makes.
 * @param plan its formula and ingredients
 */
export const planKind = ({ formula, ingredients }: Pick<Plan, 'formula' | 'ingredients'>): KindOfBread =>
  kindOfBread(formula, resolveLines(formula, ingredients));
