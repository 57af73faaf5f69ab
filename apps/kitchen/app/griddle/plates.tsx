export { PlatesScreen as default } from '../../src/screens';
