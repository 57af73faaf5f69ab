import { LogScreen } from '../../src/features/log/LogScreen';

export default function Log() {
  return <LogScreen />;
}
