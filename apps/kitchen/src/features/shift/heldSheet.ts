/** What becomes of held bread, as the shift's page opens it: with the rest of the app. */
export { HeldSheet } from '../../shared/HeldSheet';
