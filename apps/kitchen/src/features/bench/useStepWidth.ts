import { useWindowDimensions } from 'react-native';
import { useSideways } from '../../ui/layout/useWide';
import { SIDEWAYS, SPACE, WIDE_FROM } from '../../ui/tokens';

const WIDEST = 620;
/** Rail and side pane on a wide screen. */
const TAKEN_WHEN_WIDE = 116 + 400;

/** Width in px that a step's figure and pictures may use. */
export function useStepWidth(): number {
  const { width } = useWindowDimensions();
  if (useSideways()) return width - SIDEWAYS.railPx - SIDEWAYS.actsPx - 2 * SPACE.m;
  return width >= WIDE_FROM ? Math.min(WIDEST, width - TAKEN_WHEN_WIDE - 2 * SPACE.l) : width - 2 * SPACE.m;
}

/** Share of the window's height that a timer may take, so that the words under it stay in sight. */
const RING_SHARE = 0.3;
const LARGEST_RING = 360;
/** The same on a phone on its side, where nothing stands below it. */
const SIDEWAYS_SHARE = 0.5;

/** Size in px of a timer's ring. */
export function useRingSize(): number {
  const { height } = useWindowDimensions();
  const share = useSideways() ? SIDEWAYS_SHARE : RING_SHARE;
  return Math.round(Math.min(LARGEST_RING, useStepWidth(), height * share));
}
