export { RELAXING_PRIOR_SD } from './learnRelaxing';
export type { LessonContext } from './lessonDraft';
export { lessonsFrom } from './lessons';
export { PRIORS } from './priors';
