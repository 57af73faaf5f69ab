export { AppShell as default } from '../src/features/shell/AppShell';
