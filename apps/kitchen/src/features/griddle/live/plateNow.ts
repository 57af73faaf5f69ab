import type { BatchState } from '@kettle-scale/core/batch';
import type { Heard } from '../../../live/useReading';
import { sourceWords } from '../../../shared/readingWords';
import type { TakenTemp } from '../../../shared/TakeTemp';

/** A plate that somebody typed is believed for so long. */
const TYPED_FOR_MS = 15 * 60_000;

export interface PlateRead extends TakenTemp {
  steady: boolean;
}

/** The plate as somebody typed it lately, °C; null where nobody did. */
export function typedPlateC(state: BatchState, nowMs: number): number | null {
  const typed = state.steps
    .flatMap(({ seen }) => seen)
    .filter((event) => event.type === 'measured' && event.what === 'plate' && event.by === 'hand')
    .at(-1);
  if (typed?.type !== 'measured' || nowMs - Date.parse(typed.at) > TYPED_FOR_MS) return null;
  return typed.tempC;
}

/** The plate as it is now: by the thermometer, else as it was typed; null where nobody knows. */
export function plateNow(heard: Heard<'thermometer'> | null, typedC: number | null): PlateRead | null {
  if (heard?.takeable) {
    const { tempC, steady } = heard.reading;
    return { tempC, steady, source: heard.source };
  }
  return typedC === null ? null : { tempC: typedC, steady: true, source: 'typed' };
}

/** Where the plate’s heat comes from. */
export function plateWords(heard: Heard<'thermometer'> | null, plate: PlateRead | null): string {
  if (plate?.source === 'typed') return 'typed';
  return heard ? sourceWords(heard) : 'no thermometer';
}
