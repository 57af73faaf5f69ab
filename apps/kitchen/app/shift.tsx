import { HeldSheet, ReadyBoard } from '../src/screens';
import { ShiftScreen } from '../src/features/shift/ShiftScreen';

export default function Shift() {
  return <ShiftScreen readyBoard={<ReadyBoard />} HeldSheet={HeldSheet} />;
}
