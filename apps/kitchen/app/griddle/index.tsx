export { GriddleScreen as default } from '../../src/screens';
