export { ChartsScreen as default } from '../src/screens';
