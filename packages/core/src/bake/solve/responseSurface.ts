/** A table over two settings, read between its nodes by straight lines of whatever was stored. */
export interface Surface {
  readonly xs: readonly number[];
  readonly ys: readonly number[];
  /** Row by row of ys. */
  readonly values: Float64Array;
}

/** Evaluates a function at all nodes. */
export function surface(
  xs: readonly number[],
  ys: readonly number[],
  at: (x: number, y: number) => number,
): Surface {
  return {
    xs,
    ys,
    values: Float64Array.from({ length: xs.length * ys.length }, (_, i) =>
      at(xs[i % xs.length]!, ys[Math.floor(i / xs.length)]!),
    ),
  };
}

/** Interval of nodes that holds a value (the end ones reach on), and how far into it the value lies. */
function bracket(nodes: readonly number[], value: number): [number, number] {
  let low = 0;
  while (low < nodes.length - 2 && value > nodes[low + 1]!) low += 1;
  return [low, (value - nodes[low]!) / (nodes[low + 1]! - nodes[low]!)];
}

/** Bilinear reading. */
export function readSurface({ xs, ys, values }: Surface, x: number, y: number): number {
  const [i, u] = bracket(xs, x);
  const [j, v] = bracket(ys, y);
  const at = (a: number, b: number) => values[b * xs.length + a]!;
  return (
    (1 - v) * ((1 - u) * at(i, j) + u * at(i + 1, j)) + v * ((1 - u) * at(i, j + 1) + u * at(i + 1, j + 1))
  );
}
