export { ServiceEditScreen as default } from '../../src/screens';
