import { LuDecomposition, Matrix } from 'ml-matrix';

/** Rates of change of a system that does not depend on time. */
export type Rates = (state: readonly number[]) => number[];

export interface IntegratorRun {
  y: number[];
  evaluations: number;
  failed: boolean;
}

/** Constants of the modified Rosenbrock pair of second and third order (L. F. Shampine, M. W. Reichelt, 1997). */
const D = 1 / (2 + Math.SQRT2);
const E32 = 6 + Math.SQRT2;
const MOST_STEPS = 100_000;
const [SAFETY, SHRINK_MOST, GROW_MOST] = [0.8, 0.2, 5];
/** A difference for the Jacobian, as a share of the value and at least. */
const NUDGE = { share: 1e-6, least: 1e-6 };

/**
 * The Jacobian by differences, columns that touch no common row nudged together (A. R. Curtis, M. J. D. Powell, J. K. Reid,
 * 1974).
 * @param groups columns of a group, and the rows that each of them touches
 */
function jacobian(
  rates: Rates,
  y: readonly number[],
  base: readonly number[],
  groups: readonly (readonly { column: number; rows: readonly number[] }[])[],
): Matrix {
  const out = Matrix.zeros(y.length, y.length);
  for (const group of groups) {
    const nudged = [...y];
    const by = group.map(({ column }) => {
      const step = Math.max(NUDGE.least, NUDGE.share * Math.abs(y[column] ?? 0));
      nudged[column] = (y[column] ?? 0) + step;
      return step;
    });
    const moved = rates(nudged);
    group.forEach(({ column, rows }, i) => {
      for (const row of rows) out.set(row, column, ((moved[row] ?? 0) - (base[row] ?? 0)) / (by[i] ?? 1));
    });
  }
  return out;
}

/**
 * Integrates a stiff system from 0 to `end` by an implicit method that chooses its own steps.
 * @param tolerance relative, and absolute in the units of each variable
 */
export function rosenbrock(
  rates: Rates,
  start: readonly number[],
  end: number,
  tolerance: number,
  groups: Parameters<typeof jacobian>[3],
): IntegratorRun {
  let y = [...start];
  let f = rates(y);
  let evaluations = 1;
  let t = 0;
  let h = Math.min(end, 1e-3);
  const n = y.length;
  const times = (lu: LuDecomposition, right: readonly number[]): number[] =>
    lu.solve(Matrix.columnVector([...right])).to1DArray();
  for (let steps = 0; steps < MOST_STEPS; steps += 1) {
    if (end - t < 1e-9) return { y, evaluations, failed: false };
    h = Math.min(h, end - t);
    const j = jacobian(rates, y, f, groups);
    evaluations += groups.length;
    for (;;) {
      const w = Matrix.eye(n, n).sub(Matrix.mul(j, h * D));
      const lu = new LuDecomposition(w);
      const k1 = times(lu, f);
      const f1 = rates(y.map((v, i) => v + 0.5 * h * (k1[i] ?? 0)));
      const k2 = times(
        lu,
        f1.map((v, i) => v - (k1[i] ?? 0)),
      ).map((v, i) => v + (k1[i] ?? 0));
      const next = y.map((v, i) => v + h * (k2[i] ?? 0));
      const f2 = rates(next);
      const k3 = times(
        lu,
        f2.map((v, i) => v - E32 * ((k2[i] ?? 0) - (f1[i] ?? 0)) - 2 * ((k1[i] ?? 0) - (f[i] ?? 0))),
      );
      evaluations += 2;
      const error = Math.max(
        ...y.map((v, i) => {
          const off = (h / 6) * ((k1[i] ?? 0) - 2 * (k2[i] ?? 0) + (k3[i] ?? 0));
          return Math.abs(off) / (tolerance * Math.max(1, Math.abs(v), Math.abs(next[i] ?? 0)));
        }),
      );
      const factor = Number.isFinite(error)
        ? Math.min(GROW_MOST, Math.max(SHRINK_MOST, SAFETY * (error || 1e-6) ** (-1 / 3)))
        : SHRINK_MOST;
      if (error <= 1) {
        [t, y, f] = [t + h, next, f2];
        h *= factor;
        break;
      }
      h *= Math.min(factor, 0.5);
      if (h < 1e-9) return { y, evaluations, failed: true };
    }
  }
  return { y, evaluations, failed: true };
}
