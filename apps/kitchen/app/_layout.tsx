import { preloadRest } from '../src/screens';

preloadRest();

export { AppShell as default } from '../src/features/shell/AppShell';
