export { HandOverScreen as default } from '../../src/screens';
