import { useWindowDimensions } from 'react-native';
import { WIDE_FROM } from '../tokens';

/** True where there is room for a rail and panes. */
export const useWide = (): boolean => useWindowDimensions().width >= WIDE_FROM;
