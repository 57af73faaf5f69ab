/** A figure that has moved by no more than this for this long stands still. */
interface Still {
  within: number;
  forMs: number;
}

/**
 * Tells of an instrument that does not say it itself whether its figure stands still.
 * @param still how near, and for how long
 */
export function watchSteady({ within, forMs }: Still): (value: number, atMs: number) => boolean {
  let from: { value: number; atMs: number } | null = null;
  return (value, atMs) => {
    if (!from || Math.abs(value - from.value) > within) from = { value, atMs };
    return atMs - from.atMs >= forMs;
  };
}
