export { ballAdvice, ballSample, type BallSample, USUAL_SAMPLE } from './ballSample';
export { controlChart, ZONE_RULES } from './controlChart';
export { sampleSize } from './sampleSize';
