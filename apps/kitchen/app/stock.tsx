import { StockScreen } from '../src/features/stock/StockScreen';

export default function Stock() {
  return <StockScreen />;
}
