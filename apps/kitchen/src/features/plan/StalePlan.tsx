import { type Plan, comparePlans } from '@kettle-scale/core/plan';
import { PrimaryAction } from '../../ui/input/actions';
import { Sheet } from '../../ui/layout/Sheet';
import { Table } from '../../ui/layout/Table';
import { Body, Heading } from '../../ui/type';

/** A start that was refused because the kitchen makes another plan now: both side by side, nothing started. */
export function StalePlan({
  stale,
  onClose,
}: {
  stale: { seen: Plan; now: Plan } | null;
  onClose: () => void;
}) {
  if (!stale) return null;
  const changed = comparePlans(stale.seen, stale.now).filter(({ same }) => !same);
  return (
    <Sheet open onClose={onClose} label="The plan has changed">
      <Heading>The plan has changed</Heading>
      <Body>
        {changed.length > 0
          ? 'Somebody changed the kitchen, the formula or the lot since you opened this plan. Nothing was started.'
          : 'Somebody changed something this plan is made from; no figure on the sheet differs. Nothing was started.'}
      </Body>
      {changed.length > 0 ? (
        <Table
          label="What differs"
          columns={['What', 'you saw', 'now']}
          rows={changed.map(({ what, a, b }) => [what, a, b])}
        />
      ) : null}
      <PrimaryAction label="Show the new plan" onPress={onClose} />
    </Sheet>
  );
}
