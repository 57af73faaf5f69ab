export { LessonsScreen as default } from '../src/screens';
