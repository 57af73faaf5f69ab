export { WindowScreen as default } from '../../src/screens';
