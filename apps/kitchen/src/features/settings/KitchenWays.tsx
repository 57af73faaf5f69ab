import { type Kitchen, kitchenSchema } from '@kettle-scale/core/kitchen';
import { useChangeKitchen } from '../../api/changes';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading } from '../../ui/type';
import { useTextForm } from '../../ui/input/useTextForm';
import { WordField } from '../../ui/input/WordField';
import { z } from 'zod';

/** What is written in one field and says how this kitchen goes. */
type Way = 'currency' | 'timeZone' | 'closesAt';
const FIELDS: Record<Way, z.ZodType<string | undefined>> = kitchenSchema.shape;

const trimmed = (typed: string): string => typed.trim();

interface WayFieldProps {
  kitchen: Kitchen;
  way: Way;
  label: string;
  placeholder: string;
  /** What stands there while the kitchen has said nothing. */
  first?: string;
  /** It may be left empty. */
  optional?: boolean;
  /** How what is typed is written. */
  tidy?: (typed: string) => string;
}

/** One of the kitchen's ways, stored as soon as what is typed can be one. */
function WayField(props: WayFieldProps) {
  const { kitchen, way, label, placeholder, first = '', optional = false, tidy = trimmed } = props;
  const save = useChangeKitchen(kitchen);
  const { text, set, problem, submit } = useTextForm({
    first: { typed: kitchen[way] ?? first },
    mode: 'onChange',
    read: ({ typed }) => ({ typed: optional && typed === '' ? undefined : typed }),
    schema: z.object({ typed: FIELDS[way] }),
  });
  const keep = submit(({ typed }) => {
    if (typed !== kitchen[way]) save.mutate({ [way]: typed ?? null });
  });
  return (
    <WordField
      name={way}
      {...{ label, placeholder }}
      value={text.typed}
      onText={(typed) => {
        set({ typed: tidy(typed) });
        keep();
      }}
      error={problem('typed') ?? save.error?.message}
    />
  );
}

/** Which cups hang on the wall, which money packs are paid in, and where the clock hangs. */
export function KitchenWays({ kitchen }: { kitchen: Kitchen }) {
  const save = useChangeKitchen(kitchen);
  return (
    <Ticket>
      <Heading>Cups, money and clock</Heading>
      <Segments
        labelled
        label="Cups and spoons"
        value={kitchen.measures ?? 'us'}
        options={[
          ['us', 'US: cup 236.6 ml'],
          ['metric', 'Metric: cup 250 ml'],
        ]}
        onChange={(measures) => save.mutate({ measures })}
      />
      <WayField
        kitchen={kitchen}
        way="currency"
        label="Money, three letters"
        placeholder="EUR"
        first="EUR"
        tidy={(typed) => trimmed(typed).toUpperCase()}
      />
      <WayField
        kitchen={kitchen}
        way="timeZone"
        label="Time zone of the kitchen"
        placeholder="Europe/Lisbon"
      />
      <WayField kitchen={kitchen} way="closesAt" label="Kitchen closes at" placeholder="22:30" optional />
    </Ticket>
  );
}
