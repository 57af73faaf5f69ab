import {
  type DeviceKind,
  FRESH_FOR_S,
  type HeardReading,
  type ReadingOf,
  type ReadingSource,
  mayTake,
} from '@kettle-scale/core/device';
import { useEffect, useState } from 'react';
import { useInstruments } from './instruments/store';
import { canStream, kitchenStream } from './kitchenStream';

const MS_PER_S = 1000;

/** A device's latest reading on this screen. */
export interface Heard<K extends DeviceKind> {
  reading: ReadingOf<K>;
  source: Exclude<ReadingSource, 'typed'>;
  /** Age when it was last looked at, s. */
  ageS: number;
  /** It says something about now. */
  fresh: boolean;
  /** Fresh, and of a source that this kitchen's records take. */
  takeable: boolean;
}

interface Kept<K extends DeviceKind> extends HeardReading {
  reading: ReadingOf<K>;
  heardMs: number;
}

/**
 * What a device says while a screen shows it; null before its first reading, where there is no device, or when the server is
 * away. A reading grows old by itself: it stays to be seen and is used no more.
 */
export function useReading<K extends DeviceKind>(kind: K, on = true): Heard<K> | null {
  const [told, setKept] = useState<Kept<K> | null>(null);
  // What is connected to this phone goes before what others tell; one that was lost only where nobody else tells.
  const own = useInstruments(({ readings }) => readings[kind]) as Kept<K> | undefined;
  const connected = useInstruments((state) => state.connected[kind] !== undefined);
  const kept = on ? (own && (connected || !told) ? own : told) : null;
  const [nowMs, setNowMs] = useState(() => Date.now());
  useEffect(() => {
    if (!on || !canStream()) return undefined;
    const stops = [
      kitchenStream.on('reading', (data) => {
        const heard = data as HeardReading;
        if (heard.reading.kind !== kind) return;
        setKept({ ...heard, reading: heard.reading as ReadingOf<K>, heardMs: Date.now() });
        setNowMs(Date.now());
      }),
      kitchenStream.onState((open) => {
        if (!open) setKept(null);
      }),
      kitchenStream.want(kind),
    ];
    return () => {
      stops.forEach((stop) => stop());
      setKept(null);
    };
  }, [kind, on]);

  // Looks again just after the reading has grown old.
  useEffect(() => {
    if (!kept) return undefined;
    const freshMs = (FRESH_FOR_S[kind] - kept.ageS) * MS_PER_S;
    const leftMs = kept.heardMs + freshMs - Date.now();
    if (leftMs < 0) return undefined;
    const timer = setTimeout(() => setNowMs(Date.now()), leftMs + 1);
    return () => clearTimeout(timer);
  }, [kept, kind]);

  if (!kept) return null;
  const { reading, source } = kept;
  const ageS = kept.ageS + Math.max(0, nowMs - kept.heardMs) / MS_PER_S;
  return {
    ...{ reading, source, ageS },
    fresh: ageS <= FRESH_FOR_S[kind],
    takeable: mayTake(kept, ageS),
  };
}
