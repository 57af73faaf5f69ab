/** Cells through the thickness, finest at both faces. */
export interface Grid {
  /** Width of each cell, m. */
  widthM: Float64Array;
  /** Edges of the cells from face A, m; one more than cells. */
  edgeM: Float64Array;
}

/** How strongly cells crowd towards the faces; 0 is even. At 16 cells this brings all reference cases within their bounds. */
const CROWDING = 1.35;

/** Cells that crowd towards both faces by a hyperbolic tangent. */
export function clusteredGrid(cells: number, thicknessM: number, crowding = CROWDING): Grid {
  const edgeM = new Float64Array(cells + 1);
  for (let edge = 0; edge <= cells; edge += 1) {
    const s = (2 * edge) / cells - 1;
    const spread = crowding > 0 ? Math.tanh(crowding * s) / Math.tanh(crowding) : s;
    edgeM[edge] = (thicknessM / 2) * (1 + spread);
  }
  const widthM = new Float64Array(cells);
  for (let i = 0; i < cells; i += 1) widthM[i] = edgeM[i + 1]! - edgeM[i]!;
  return { edgeM, widthM };
}

/** Weights that average a quantity over the outer layer of a face: 0 for face A, 1 for face B. They add up to 1. */
export function outerWeights({ widthM, edgeM }: Grid, depthM: number, face: 0 | 1): Float64Array {
  const thicknessM = edgeM[widthM.length]!;
  const depth = Math.min(depthM, thicknessM / 2);
  const weights = new Float64Array(widthM.length);
  for (let i = 0; i < weights.length; i += 1) {
    const from = face === 0 ? edgeM[i]! : thicknessM - edgeM[i + 1]!;
    weights[i] = Math.max(0, Math.min(from + widthM[i]!, depth) - from) / depth;
  }
  return weights;
}
