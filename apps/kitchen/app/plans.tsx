export { PlansScreen as default } from '../src/screens';
