import { useReading } from '../../data/useReading';
import { Action } from '../../ui/actions';
import { useFormat } from '../../ui/useFormat';

/** The surface thermometer's live temperature, taken by a tap; nothing while there is no thermometer. */
export function PlateButton({ onTake }: { onTake: (tempC: number) => void }) {
  const format = useFormat();
  const reading = useReading('thermometer');
  if (!reading) return null;
  return (
    <Action
      label={`Plate: ${format.temp(reading.tempC)}${reading.steady ? '' : ' …'}`}
      onPress={() => onTake(reading.tempC)}
    />
  );
}
