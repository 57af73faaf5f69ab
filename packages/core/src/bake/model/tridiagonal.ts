/** A system with three diagonals; `inverse` holds 1 / diagonal after elimination. */
export interface Tridiagonal {
  readonly lower: Float64Array;
  readonly diagonal: Float64Array;
  readonly upper: Float64Array;
  readonly right: Float64Array;
  readonly inverse: Float64Array;
}

/** @param empty gives an array of a value a row */
export function openTridiagonal(empty: () => Float64Array): Tridiagonal {
  return { lower: empty(), diagonal: empty(), upper: empty(), right: empty(), inverse: empty() };
}

/** Solves it into `solution` (Thomas); `right` and `inverse` are used up, the three diagonals are left as they are. */
export function solveTridiagonal(system: Tridiagonal, solution: Float64Array): void {
  const { lower, diagonal, upper, right, inverse } = system;
  const rows = solution.length;
  let previous = 1 / diagonal[0]!;
  let known = right[0]!;
  inverse[0] = previous;
  for (let i = 1; i < rows; i += 1) {
    const factor = lower[i]! * previous;
    known = right[i]! - factor * known;
    right[i] = known;
    previous = 1 / (diagonal[i]! - factor * upper[i - 1]!);
    inverse[i] = previous;
  }
  let next = 0;
  for (let i = rows - 1; i >= 0; i -= 1) {
    next = (right[i]! - upper[i]! * next) * inverse[i]!;
    solution[i] = next;
  }
}
