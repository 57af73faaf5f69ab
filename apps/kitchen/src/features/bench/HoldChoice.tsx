import { say } from '../../reader/say';
import { COLDNESS, HOLDINGS, type Holding } from '@kettle-scale/core/kitchen';
import { holdLimitH, keepingCaution } from '@kettle-scale/core/log';
import { useKitchen } from '../../api/queries';
import { Choices } from '../../ui/input/Choices';
import { Caution } from '../../ui/layout/Caution';

const S_PER_H = 3600;

const isWarm = (how: Holding): boolean => COLDNESS[how] === 'warm' && how !== 'served at once';

/** Kept warm for this service; the others keep it for later, or not at all. */
const WARM_HOLDINGS = HOLDINGS.filter(isWarm);
export const OTHER_HOLDINGS = HOLDINGS.filter((how) => !isWarm(how));

/** In sight: the warm ones, and with them what was chosen among the others. */
export const holdingsInSight = (chosen: Holding | null): Holding[] =>
  chosen && !isWarm(chosen) ? [...WARM_HOLDINGS, chosen] : WARM_HOLDINGS;

interface HoldChoiceProps {
  of: readonly Holding[];
  label: string;
  value: Holding | null;
  onChange: (how: Holding) => void;
}

/** What the good bread is put into; its clock starts with the batch's end. */
export const HoldChoice = ({ of, ...choice }: HoldChoiceProps) => (
  <Choices {...choice} options={of.map((how) => [how, how])} />
);

/** For how long it may be held so, and what to heed before it is closed. */
export function HoldCaution({ how }: { how: Holding }) {
  const kitchen = useKitchen();
  const keeping = keepingCaution(how);
  return (
    <>
      <Caution
        folded
        lead={say('Use within {holdLimitH}.', {
          holdLimitH: { s: holdLimitH(kitchen.data ?? {}, how) * S_PER_H },
        })}
        text="Stack hot and wrap at once. Follow your local food code; the person in charge decides."
      />
      {keeping ? <Caution folded lead="Before it is closed." text={keeping} /> : null}
    </>
  );
}
