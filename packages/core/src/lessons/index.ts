export { RELAXING_PRIOR_SD } from './learnRelaxing';
export { lessonsFrom } from './lessons';
export { PRIORS } from './priors';
