/** How a weight on its way to a target stands. */
export type PourState = 'below' | 'in band' | 'above';

export interface Pour {
  state: PourState;
  /** massG − targetG. */
  offG: number;
  /** Share of the target that is on the scale, 0 and up. */
  share: number;
}

/** Where a live weight stands against a target and its tolerance. */
export function pourOf(massG: number, targetG: number, toleranceG: number): Pour {
  const offG = massG - targetG;
  const state = offG < -toleranceG - 1e-9 ? 'below' : offG > toleranceG + 1e-9 ? 'above' : 'in band';
  return { state, offG, share: targetG > 0 ? Math.max(0, massG / targetG) : 0 };
}
