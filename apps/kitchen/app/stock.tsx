import { StockScreen } from '../src/screens';

export default function Stock() {
  return <StockScreen />;
}
