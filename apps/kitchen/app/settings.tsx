import { SettingsScreen } from '../src/screens';

export default function Settings() {
  return <SettingsScreen />;
}
