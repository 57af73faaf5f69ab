export { BenchScreen as default } from '../../src/screens';
