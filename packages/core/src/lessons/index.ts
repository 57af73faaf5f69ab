export { RELAXING_PRIOR_SD } from './learnRelaxing';
export { lessonsFrom, lessonsInSlices } from './lessons';
export { PRIORS } from './priors';
