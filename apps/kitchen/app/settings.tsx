import { SettingsScreen } from '../src/features/settings/SettingsScreen';

export default function Settings() {
  return <SettingsScreen />;
}
