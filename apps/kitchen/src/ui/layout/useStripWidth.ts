import { useCallback, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** Width of the place that a drawing fills; 0 until it is laid out. */
export function useStripWidth() {
  const [width, setWidth] = useState(0);
  const onLayout = useCallback(
    ({ nativeEvent: { layout } }: LayoutChangeEvent) => setWidth(Math.floor(layout.width)),
    [],
  );
  return { width, onLayout };
}
