/** Clocks of devices and the server differ by this much without anyone noticing. */
export const CLOCK_SLACK_MS = 5 * 60_000;

const MS_PER_MIN = 60_000;
const MIN_PER_H = 60;

/** The sentence for something dated ahead of the server's clock. */
export function aheadWords(what: string, aheadMs: number): string {
  const minutes = Math.round(aheadMs / MS_PER_MIN);
  const span = minutes < 2 * MIN_PER_H ? `${minutes} min` : `${Math.round(minutes / MIN_PER_H)} h`;
  return `${what} is dated ${span} ahead of the kitchen’s server; check the clock of the device.`;
}
