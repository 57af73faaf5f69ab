import { WASTE_REASONS } from '@kettle-scale/core/kitchen';
import { Choices } from '../ui/input/Choices';

export type Waste = (typeof WASTE_REASONS)[number];

/** Why bread is thrown out. */
export function WasteReason({ value, onChange }: { value: Waste; onChange: (reason: Waste) => void }) {
  return (
    <Choices
      label="Why"
      value={value}
      options={WASTE_REASONS.map((one) => [one, one] as const)}
      onChange={onChange}
    />
  );
}
