import type { Kitchen } from '@kettle-scale/core/kitchen';
import { isZone } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { useSaveKitchen } from '../../api/queries';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;
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

/** When work ends; a plan says so when it would run past it. */
function ClosingField({ kitchen }: { kitchen: Kitchen }) {
  const save = useSaveKitchen();
  const [text, setText] = useState(kitchen.closesAt ?? '');
  const isRight = text.trim() === '' || CLOCK.test(text.trim());
  const typed = (changed: string) => {
    setText(changed);
    const time = changed.trim();
    const { closesAt, ...rest } = kitchen;
    if (time === '' && closesAt !== undefined) save.mutate(rest);
    if (CLOCK.test(time) && time !== closesAt) save.mutate({ ...rest, closesAt: time });
  };
  return (
    <WordField
      name="closesAt"
      label="Kitchen closes at"
      value={text}
      onText={typed}
      placeholder="22:30"
      error={isRight ? save.error?.message : 'A time is written like 22:30.'}
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
      <ClosingField kitchen={kitchen} />
    </Ticket>
  );
}
