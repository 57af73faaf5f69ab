export { ServiceScreen as default } from '../../src/screens';
