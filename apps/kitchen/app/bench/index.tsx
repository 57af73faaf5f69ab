import { BenchScreen } from '../../src/features/bench/BenchScreen';

export default function Bench() {
  return <BenchScreen />;
}
