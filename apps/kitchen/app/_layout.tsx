import { StartWatch, preloadRest } from '../src/screens';
import { AppShell } from '../src/features/shell/AppShell';

preloadRest();

export default function Layout() {
  return <AppShell alarms={<StartWatch />} />;
}
