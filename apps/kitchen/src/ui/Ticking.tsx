import { useRef } from 'react';
import type { Text as NativeText, TextProps } from 'react-native';
import { useUnits } from '../reader/preferences';
import { Text } from './Text';
import { LOOK_MS, useWritten } from './useSampled';

interface TickingProps extends Omit<TextProps, 'children'> {
  /** What stands here at an instant, ms. */
  textAt: (nowMs: number) => string;
}

/** A text that follows the clock: it is written where it stands, and nothing is drawn again. */
export function Ticking({ textAt, ...props }: TickingProps) {
  // Written again when the person reads in other units.
  useUnits();
  const text = useRef<NativeText>(null);
  useWritten(
    textAt,
    (said) => {
      const element = text.current as unknown as HTMLElement | null;
      if (element) element.textContent = said;
    },
    LOOK_MS,
  );
  return <Text ref={text} {...props} />;
}
