import type { BatchFacts } from '../log/factsSchema';

/** Facts of a finished batch that say nothing special, with some exchanged. */
export const factsOf = (changes: Partial<BatchFacts> = {}): BatchFacts => ({
  ...{ batchId: 'b', startedAt: '2026-03-04T10:00:00.000Z', formulaId: 'round', formulaName: 'Round' },
  ...{ formulaVersion: 1, lotId: 'lot-a', status: 'finished', shaping: 'pin' },
  hydration: { planned: 0.54, actual: 0.55 },
  waterPoints: null,
  doughG: { planned: 1000, mixed: 1000, weighed: 985 },
  ...{ bowlLoss: null, benchLoss: null, relaxing: [], restMin: null },
  springBack: { wanted: 0.06, seen: null },
  balls: { targetG: 100, toleranceG: 3, massesG: [] },
  discs: { targetMm: 200, diametersMm: [], thicknessesMm: [] },
  pieces: { planned: 10, made: 10, good: 10 },
  ...{ rejects: {}, leftoverG: 0, costPerPiece: null },
  ...changes,
});
