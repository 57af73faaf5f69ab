import type { DeviceKind, ReadingOf } from '@kettle-scale/core';
import { useEffect, useState } from 'react';
import { ROOT } from './api';

/** The live reading of a device while a screen shows it; null before the first, or when the server is away. */
export function useReading<K extends DeviceKind>(kind: K, on = true): ReadingOf<K> | null {
  const [reading, setReading] = useState<ReadingOf<K> | null>(null);
  useEffect(() => {
    if (!on || typeof EventSource === 'undefined') return undefined;
    const source = new EventSource(`${ROOT}/devices/${kind}/stream`);
    source.addEventListener('reading', ({ data }: MessageEvent<string>) => {
      setReading(JSON.parse(data) as ReadingOf<K>);
    });
    source.addEventListener('error', () => setReading(null));
    return () => {
      source.close();
      setReading(null);
    };
  }, [kind, on]);
  return reading;
}
