import { GRIDDLE_WORK, type GriddleWork } from './griddleWork';
import { SHIFT_WORK, type ShiftWork } from './shiftWork';

/** What the worker in the background can be asked: its input and its answer. */
export interface Work extends GriddleWork, ShiftWork {}

export type WorkName = keyof Work;

/** Every task as a generator that yields the share done. */
export const WORK = { ...GRIDDLE_WORK, ...SHIFT_WORK };
