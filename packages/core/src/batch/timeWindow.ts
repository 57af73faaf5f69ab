/** Where a timed step stands against its window. */
export type WindowPhase = 'early' | 'open' | 'late';

export interface TimeWindow {
  phase: WindowPhase;
  elapsedS: number;
  /** Seconds to the next mark: to the earliest while early, to the latest while open; seconds past it when late. */
  remainingS: number;
  /** Elapsed share of the present phase, 0 to 1; 1 when late. */
  share: number;
}

/**
 * Where a step that began at `startedMs` stands now. Mixing and kneading have a guard rail, a rest has an
 * earliest and a latest, one side on the griddle has both at the same second.
 * @param startedMs ms
 * @param earliestS s after its beginning
 * @param latestS s after its beginning
 * @param nowMs the instant, ms
 * @returns where it stands and the seconds to the next border
 */
export function windowAt(startedMs: number, earliestS: number, latestS: number, nowMs: number): TimeWindow {
  const elapsedS = Math.max(0, (nowMs - startedMs) / 1000);
  if (elapsedS < earliestS) {
    return { phase: 'early', elapsedS, remainingS: earliestS - elapsedS, share: elapsedS / earliestS };
  }
  if (elapsedS < latestS) {
    const share = (elapsedS - earliestS) / (latestS - earliestS);
    return { phase: 'open', elapsedS, remainingS: latestS - elapsedS, share };
  }
  return { phase: 'late', elapsedS, remainingS: elapsedS - latestS, share: 1 };
}
