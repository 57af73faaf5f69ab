import type { Who } from '@kettle-scale/core/batch';

/** "Early cook on Bench phone", or as much of it as is known. */
export function whoWords({ cook, phone }: Who, nameOf: (cook: string) => string): string {
  if (cook === undefined) return `on ${phone}`;
  return phone === undefined ? nameOf(cook) : `${nameOf(cook)} on ${phone}`;
}
