import {
  type Figure,
  bulkFigure,
  formatBulk,
  formatLength,
  formatMass,
  formatTemp,
  formatTempDifference,
  lengthFigure,
  massFigure,
  readerUnit,
  tempFigure,
  thicknessFigure,
} from '@kettle-scale/core/quantity';
import { useMemo } from 'react';
import { useUnits } from './preferences';

/** Writes measures the way this person reads them. */
export function useFormat() {
  const units = useUnits();
  return useMemo(
    () => ({
      units,
      mass: (massG: number, stepG = 1): string => formatMass(massG, stepG, units),
      massFigure: (massG: number, stepG = 1): Figure => massFigure(massG, stepG, units),
      /** Flour by the sack, dough by the bowl. */
      bulk: (massG: number): string => formatBulk(massG, units),
      bulkFigure: (massG: number): Figure => bulkFigure(massG, units),
      length: (mm: number): string => formatLength(mm, units),
      lengthFigure: (mm: number): Figure => lengthFigure(mm, units),
      thicknessFigure: (mm: number): Figure => thicknessFigure(mm, units),
      thickness: (mm: number): string => {
        const { value, unit } = thicknessFigure(mm, units);
        return `${value}\u00a0${unit}`;
      },
      temp: (tempC: number): string => formatTemp(tempC, units),
      tempDifference: (kelvin: number): string => formatTempDifference(kelvin, units),
      /** For axes and keypads: the reader's unit of a stored one, and a stored figure in it. */
      unitOf: (stored: string): string => readerUnit(stored, units).unit,
      read: (value: number, stored: string): number => {
        const { times, plus } = readerUnit(stored, units);
        return value * times + plus;
      },
      tempFigure: (tempC: number): Figure => tempFigure(tempC, units),
    }),
    [units],
  );
}
