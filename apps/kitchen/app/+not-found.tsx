import { NotFoundScreen } from '../src/features/shell/NotFoundScreen';

export default function NotFound() {
  return <NotFoundScreen />;
}
