import { checksum, stableText } from '../quantity/checksum';
import type { Plan } from './planSchema';

/**
 * Tells whether two plans are the same to a cook: CRC-32 of the plan as JSON with sorted keys, figures at nine significant
 * digits.
 * @param plan the plan
 * @returns eight hexadecimal digits
 */
export const planHash = (plan: Plan): string => checksum(stableText(plan));
