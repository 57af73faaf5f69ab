export * from './ballSample';
export * from './controlChart';
export * from './distributions';
export * from './learn';
export * from './sampleSize';
