import { useWindowDimensions } from 'react-native';
import { SIDEWAYS, WIDE_FROM } from '../tokens';

/** True where there is room for a rail and panes. */
export const useWide = (): boolean => useWindowDimensions().width >= WIDE_FROM;

/** True on a phone that lies on its side: wide, and too low for a title, a figure and an action one below the other. */
export function useSideways(): boolean {
  const { width, height } = useWindowDimensions();
  return height < SIDEWAYS.below && width >= SIDEWAYS.from && width < WIDE_FROM;
}
