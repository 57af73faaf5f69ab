import { ShiftScreen } from '../src/features/shift/ShiftScreen';

export default function Shift() {
  return <ShiftScreen />;
}
