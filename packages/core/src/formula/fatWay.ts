import type { FatIn, Method, MixingSchool } from './methodSchema';

/** Where the fat goes: through the flour, with the liquid, or one of the ways that a formula can ask for. */
export type FatWay = FatIn | 'through' | 'with the liquid';

const OF_SCHOOL: Record<MixingSchool, FatWay> = {
  'hold-back': 'through',
  'flour-back': 'with the liquid',
  'rubbed-in': 'rubbed',
  creamed: 'creamed',
  oil: 'whisked',
  'boiling-water': 'worked',
  milk: 'through',
  'yogurt-leavener': 'with the liquid',
};

/**
 * How the fat gets into the dough: as the formula says, else as its school does.
 * @param method fat and school
 */
export const fatWay = ({ fatIn, school }: Pick<Method, 'fatIn' | 'school'>): FatWay =>
  fatIn ?? OF_SCHOOL[school];
