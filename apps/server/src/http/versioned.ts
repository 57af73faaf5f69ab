import { documentTag } from '@kettle-scale/core/document';
import { HttpProblem } from './problem';

const WEAK = /^W\//;
/** The part of a tag that is of the answer around the document. */
const WITHIN = /\.[0-9a-f]+"$/;

/** The ETag of a document as it stands. */
export const etagOf = (document: unknown): string => `"${documentTag(document)}"`;

/** A document with its ETag, as an answer. */
export const tagged = <T>(body: T) => ({ status: 200, body, etag: etagOf(body) });

/**
 * A document within an answer that says more: browsers take an answer with a tag that they know for the one that they have, so
 * the tag is of both, the document's first.
 */
export const taggedWithin = <T>(body: T, document: unknown) => ({
  status: 200,
  body,
  etag: `"${documentTag(document)}.${documentTag(body)}"`,
});

/**
 * Lets a change through that was made from what is there now, so that nobody overwrites what they have not seen. What is new
 * needs no version.
 * @param ifMatch the version that was changed, as its ETag said; null when the sender does not say
 * @param stored what is there now; null where nothing is
 * @throws HttpProblem 428 where the version is not named, 412 with what is there now where it is another
 */
export function checkVersion(ifMatch: string | null, stored: unknown): void {
  if (stored === null || stored === undefined) {
    // A weak one is of an answer that said that there is nothing, as Express tags it.
    if (ifMatch === null || WEAK.test(ifMatch)) return;
    throw new HttpProblem(412, 'This was deleted meanwhile. Nothing was saved.', [], null);
  }
  if (ifMatch === null) {
    throw new HttpProblem(
      428,
      'Name the version you changed in If-Match, so that nobody’s work is overwritten.',
    );
  }
  if (ifMatch.trim().replace(WEAK, '').replace(WITHIN, '"') === etagOf(stored)) return;
  throw new HttpProblem(
    412,
    'Somebody saved this while you worked on it. Nothing was saved; what is there now is in the answer.',
    [],
    stored,
  );
}
