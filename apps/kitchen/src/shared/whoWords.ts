import { say } from '../reader/say';
import type { Who } from '@kettle-scale/core/batch';

/** "Early cook on Bench phone", or as much of it as is known. */
export function whoWords({ cook, phone }: Who, nameOf: (cook: string) => string): string {
  // The kitchen's own screen is no name that somebody gave: it is said in words.
  if (phone === undefined) return cook === undefined ? '' : nameOf(cook);
  return cook === undefined
    ? say('on {phone}', { phone })
    : say('{cook} on {phone}', { cook: { name: nameOf(cook) }, phone });
}
