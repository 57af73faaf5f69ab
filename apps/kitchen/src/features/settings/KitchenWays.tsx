import type { Kitchen } from '@kettle-scale/core/kitchen';
import { isZone } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { useSaveKitchen } from '../../api/queries';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';

const CURRENCY = /^[A-Z]{3}$/;

/** Where the kitchen's clock hangs; days, use-by times and the log's filters follow it. */
function ZoneField({ kitchen }: { kitchen: Kitchen }) {
  const save = useSaveKitchen();
  const [zone, setZone] = useState(kitchen.timeZone ?? '');
  const typed = (text: string) => {
    setZone(text);
    const name = text.trim();
    if (isZone(name) && name !== kitchen.timeZone) save.mutate({ ...kitchen, timeZone: name });
  };
  return (
    <WordField
      name="timeZone"
      label="Time zone of the kitchen"
      value={zone}
      onText={typed}
      placeholder="Europe/Lisbon"
      error={isZone(zone.trim()) ? save.error?.message : 'A time zone is named like Europe/Lisbon.'}
    />
  );
}

/** Which cups hang on the wall, which money packs are paid in, and where the clock hangs. */
export function KitchenWays({ kitchen }: { kitchen: Kitchen }) {
  const save = useSaveKitchen();
  const [currency, setCurrency] = useState(kitchen.currency ?? 'EUR');
  const typed = (text: string) => {
    const code = text.trim().toUpperCase().slice(0, 3);
    setCurrency(code);
    if (CURRENCY.test(code)) save.mutate({ ...kitchen, currency: code });
  };
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
        onChange={(measures) => save.mutate({ ...kitchen, measures })}
      />
      <WordField
        name="currency"
        label="Money, three letters"
        value={currency}
        onText={typed}
        error={CURRENCY.test(currency) ? save.error?.message : 'Three letters, like EUR or USD.'}
      />
      <ZoneField kitchen={kitchen} />
    </Ticket>
  );
}
