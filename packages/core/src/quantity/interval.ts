/** A value that is known only within limits. */
export interface Interval {
  low: number;
  typical: number;
  high: number;
}

export const exactly = (value: number): Interval => ({ low: value, typical: value, high: value });

export const times = (a: Interval, b: Interval): Interval => ({
  low: a.low * b.low,
  typical: a.typical * b.typical,
  high: a.high * b.high,
});

export const scaled = (a: Interval, factor: number): Interval => times(a, exactly(factor));
