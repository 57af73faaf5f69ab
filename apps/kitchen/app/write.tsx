import { WriteScreen } from '../src/screens';

export default function Write() {
  return <WriteScreen />;
}
