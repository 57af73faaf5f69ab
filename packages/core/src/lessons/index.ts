export * from './learnRelaxing';
export * from './learnSeasons';
export * from './lessons';
export * from './priors';
export type { LessonContext } from './draft';
