import { type Difference, documentTag, mergeChanges } from '@kettle-scale/core/document';
import { Refused } from './api';
import { askWhose } from './whose';

interface Save<T extends object, R> {
  /** What it was made from, as the server had it; null for something new. */
  before: T | null;
  mine: T;
  /** Sends it as a change of one version; null for something new. */
  send: (document: T, ifMatch: string | null) => Promise<R>;
}

const CHANGED_MEANWHILE = 412;
/** Says when something was saved or chosen: of two saves the later one is right. */
const MOMENTS: ReadonlySet<string> = new Set(['savedAt', 'chosenAt']);

/** What somebody else saved in between; null where that is not why it was refused, or it is gone. */
const theirsOf = (error: unknown): object | null =>
  error instanceof Refused && error.status === CHANGED_MEANWHILE && error.current
    ? (error.current as object)
    : null;

const matters = ({ path }: Difference): boolean => !MOMENTS.has(path.at(-1) ?? '');

/**
 * Saves what was changed from a version. Where somebody else saved in between, both changes are saved; where both changed the
 * same field, whoever saves last is shown the two and says whose stays.
 * @throws Refused when nobody says so; nothing was saved then
 */
export async function saveOver<T extends object, R>({ before, mine, send }: Save<T, R>): Promise<R> {
  let [from, wanted] = [before, mine];
  for (;;) {
    try {
      return await send(wanted, from && `"${documentTag(from)}"`);
    } catch (error) {
      const theirs = theirsOf(error) as T | null;
      if (!theirs) throw error;
      const base = from ?? ({} as T);
      const { document, differences } = mergeChanges(base, wanted, theirs);
      const whose = differences.some(matters) ? await askWhose(differences.filter(matters)) : 'mine';
      if (!whose) throw error;
      wanted = whose === 'mine' ? document : mergeChanges(base, theirs, wanted).document;
      from = theirs;
    }
  }
}
