import { lazily } from '../../ui/layout/lazily';

/** Charts as screens use them: each comes when it is first drawn. */
export const BallStrip = lazily(async () => ({ default: (await import('./charts')).BallStrip }));
export const HydrationChart = lazily(async () => ({ default: (await import('./charts')).HydrationChart }));
export const XyChart = lazily(async () => ({ default: (await import('./charts')).XyChart }));
export const CrossSection = lazily(async () => ({ default: (await import('./charts')).CrossSection }));
export const PlatePicture = lazily(async () => ({ default: (await import('./charts')).PlatePicture }));
export const WindowPicture = lazily(async () => ({ default: (await import('./charts')).WindowPicture }));
export type { ChartPoint } from '../../ui/chart/XyChart';
