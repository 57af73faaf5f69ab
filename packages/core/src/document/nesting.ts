/** No document of ours nests deeper; a deeper one is made to exhaust whoever reads it. */
export const MOST_NESTED = 64;

/**
 * How deeply a JSON text nests, without parsing it: brackets inside of strings do not count.
 * @param enough looking stops one level beyond this
 * @returns levels of arrays and objects; 0 for a bare value
 */
export function deepest(text: string, enough = Infinity): number {
  let depth = 0;
  let most = 0;
  let inString = false;
  for (let at = 0; at < text.length && most <= enough; at += 1) {
    const sign = text[at];
    if (inString) {
      if (sign === '\\') at += 1;
      else if (sign === '"') inString = false;
    } else if (sign === '"') inString = true;
    else if (sign === '{' || sign === '[') most = Math.max(most, (depth += 1));
    else if (sign === '}' || sign === ']') depth -= 1;
  }
  return most;
}
