/** Everything that is drawn over measured axes, in one bundle: whoever needs one of them loads d3 once. */
export { BallStrip } from './BallStrip';
export { CrossSection } from './CrossSection';
export { PlatePicture } from './PlatePicture';
export { WindowPicture } from './WindowPicture';
export { default as HydrationChart } from './HydrationChart';
export { XyChart } from '../../ui/chart/XyChart';
