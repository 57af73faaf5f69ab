import { WriteScreen } from '../src/features/write/WriteScreen';

export default function Write() {
  return <WriteScreen />;
}
