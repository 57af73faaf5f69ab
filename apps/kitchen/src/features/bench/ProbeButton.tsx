import { useReading } from '../../data/useReading';
import { Action } from '../../ui/actions';
import { useFormat } from '../../ui/useFormat';

interface ProbeButtonProps {
  /** What the probe is in. */
  of: string;
  onTake: (tempC: number) => void;
}

/** The probe's live temperature, taken by a tap; nothing while there is no probe. */
export function ProbeButton({ of, onTake }: ProbeButtonProps) {
  const format = useFormat();
  const probe = useReading('probe');
  if (!probe) return null;
  return (
    <Action
      label={`Probe in the ${of}: ${format.temp(probe.tempC)}${probe.steady ? '' : ' …'}`}
      onPress={() => onTake(probe.tempC)}
    />
  );
}
