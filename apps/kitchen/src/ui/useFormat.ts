import {
  type Figure,
  formatLength,
  formatMass,
  formatTemp,
  lengthFigure,
  massFigure,
  tempFigure,
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
      length: (mm: number): string => formatLength(mm, units),
      lengthFigure: (mm: number): Figure => lengthFigure(mm, units),
      temp: (tempC: number): string => formatTemp(tempC, units),
      tempFigure: (tempC: number): Figure => tempFigure(tempC, units),
    }),
    [units],
  );
}
