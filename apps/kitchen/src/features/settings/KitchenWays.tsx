import type { Kitchen } from '@kettle-scale/core/kitchen';
import { useState } from 'react';
import { useSaveKitchen } from '../../api/queries';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';

const CURRENCY = /^[A-Z]{3}$/;

/** Which cups hang on the wall, and which money packs are paid in. */
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
      <Heading>Cups and money</Heading>
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
    </Ticket>
  );
}
