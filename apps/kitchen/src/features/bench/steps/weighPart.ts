import { say } from '../../../reader/say';
import type { SheetLine, Step } from '@kettle-scale/core/plan';
import type { BowlState } from '@kettle-scale/core/batch';
import type { LiveBatch } from '../../../batch/useBatch';

/** A line that is weighed, as its screens are told. */
export interface WeighPart {
  live: LiveBatch;
  step: Step;
  line: SheetLine;
  bowl: BowlState;
  inBowl: BowlState['lines'][number];
  /** A weight is off its target: asks what becomes of it. */
  onDoubt: (massG: number) => void;
}

export const toneOf = ({ kind }: SheetLine): 'water' | 'ink' =>
  kind === 'water' || kind === 'dairy' ? 'water' : 'ink';

/** The act of a weight that no scale said. */
export const byHand = (step: Step, massG: number) =>
  ({ type: 'weighed', stepId: step.id, massG, by: 'hand' }) as const;

/** Title of a line that is topped up after an over-pour. */
export const topUpTitle = ({ line, inBowl }: WeighPart) =>
  inBowl.weighedG === null ? {} : { title: say('Add more {name}', { name: { lower: line.name } }) };
