/** Everything that is drawn over measured axes. The first page draws none of it, so d3 comes with the rest of the app. */
export { BallStrip } from './BallStrip';
export { CrossSection } from './CrossSection';
export { PlatePicture } from './PlatePicture';
export { WindowPicture } from './WindowPicture';
export { default as HydrationChart } from './HydrationChart';
export { type ChartPoint, XyChart } from '../../ui/chart/XyChart';
