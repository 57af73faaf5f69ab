import type { Words } from '../message/message';
/** What a batch's own record says of a cause. */
export interface Evidence {
  says: 'yes' | 'no' | 'unknown';
  /** What was found, in words with numbers; empty where nothing was. */
  words: Words;
  /** How far from right, in the unit that the change is made in; 0 where it is right. */
  off: number;
}

export const UNKNOWN: Evidence = { says: 'unknown', words: '', off: 0 };

/** Evidence for a cause where it is bad, against it where it is not. */
export const found = (bad: boolean, words: Words, off: number): Evidence => ({
  says: bad ? 'yes' : 'no',
  words,
  off: bad ? off : 0,
});
