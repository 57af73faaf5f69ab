import { say } from '../../reader/say';
import { type ServiceDay, serviceDaySchema } from '@kettle-scale/core/shift';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSaveService } from '../../api/changes';
import { useFormulas, useService, useServices } from '../../api/queries';
import { useServiceDate } from '../../shared/useServiceDate';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Check, Choices } from '../../ui/input/Choices';
import { FieldError } from '../../ui/input/Field';
import { WordField } from '../../ui/input/WordField';
import { useTextForm } from '../../ui/input/useTextForm';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';
import { BreadWaves } from './BreadWaves';
import { Cooks } from './Cooks';
import { TextCell } from './TextCell';
import {
  type ClockField,
  type ServiceForm,
  type ServiceText,
  clockProblem,
  nextService,
  readService,
  serviceText,
} from './serviceForm';
import { useFill } from './useFill';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});

const HOURS: readonly (readonly [ClockField, string])[] = [
  ['opens', 'Kitchen opens'],
  ['serviceFrom', 'Service from'],
  ['serviceTo', 'Service to'],
  ['ends', 'Shift ends'],
];
const SURE = [
  ['0.7', 'Now and then somebody may go without'],
  ['0.85', 'Rarely'],
  ['0.95', 'Hardly ever'],
] as const;
const LEFT = [
  ['thrown out', 'Thrown out'],
  ['kept', 'Kept as it is where possible'],
] as const;
/** Name and hours. */
function Hours({ form: { text, set, problem } }: { form: ServiceForm }) {
  return (
    <Ticket>
      <WordField
        name="name"
        label="Name"
        value={text.name}
        onText={(name) => set({ name })}
        error={problem('name')}
      />
      <View style={styles.row}>
        {HOURS.map(([field, label]) => (
          <TextCell
            key={field}
            name={field}
            label={label}
            value={text[field]}
            onText={(typed) => set({ [field]: typed })}
            error={clockProblem(text[field], problem(field))}
          />
        ))}
      </View>
    </Ticket>
  );
}

interface BreadsProps {
  form: ServiceForm;
  day: string;
  names: ReadonlyMap<string, string>;
}

/** Which breads, and where the figures come from. */
function Breads({ form, day, names }: BreadsProps) {
  const { text, set, problem } = form;
  const input = useRef<HTMLInputElement>(null);
  const fill = useFill(form, day, names);
  const toggle = (formulaId: string) => (on: boolean) => {
    const others = text.breads.filter((bread) => bread.formulaId !== formulaId);
    const { serviceFrom: opens, serviceTo: closes } = text;
    const waves = [{ opens, peak: opens, closes, pieces: '20' }];
    set({ breads: on ? [...others, { formulaId, orders: [], waves }] : others });
  };
  return (
    <Ticket>
      <Heading>Breads</Heading>
      <View style={styles.row}>
        {[...names].map(([id, name]) => (
          <Check
            key={id}
            label={name}
            value={text.breads.some(({ formulaId }) => formulaId === id)}
            onChange={toggle(id)}
          />
        ))}
      </View>
      {problem('breads') ? <FieldError id="breads-error" message={problem('breads') ?? ''} /> : null}
      {fill.past.length > 0 ? (
        <Check
          label={say(
            'From {length, number} {length, plural, one {service} other {services}} on this weekday',
            { length: fill.past.length },
          )}
          value={fill.isLearned}
          onChange={fill.learn}
        />
      ) : null}
      {fill.learned.map(({ formulaId, pieces, low, high }) => (
        <Leader
          key={formulaId}
          name={names.get(formulaId) ?? formulaId}
          value={String(Math.round(pieces))}
          unit="pieces"
          aside={say('{low, number} to {high, number}', { low: Math.round(low), high: Math.round(high) })}
        />
      ))}
      <Label>
        {fill.past.length > 0
          ? 'A newer service counts more, what stands here counts as two.'
          : 'No service of this weekday is in the log yet.'}
      </Label>
      <Action icon="upload" label="From a file" onPress={() => input.current?.click()} />
      <Label>
        A file is CSV with bread, opens, peak, closes and pieces, or a calendar with “60 Deckhand wrap”.
      </Label>
      {fill.problem ? <FieldError id="file-error" message={fill.problem} /> : null}
      <input
        ref={input}
        type="file"
        accept=".csv,.ics,text/csv,text/calendar"
        aria-label={say('File of what is wanted')}
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void file.text().then((content) => fill.read(file.name.toLowerCase(), content));
        }}
      />
    </Ticket>
  );
}

function Editor({ kept, stored }: { kept: ServiceDay; stored: ServiceDay | null }) {
  const router = useRouter();
  const [begun] = useState(stored);
  const save = useSaveService(begun);
  const formulas = useFormulas();
  const form = useTextForm<ServiceText, ServiceDay>({
    first: serviceText(kept),
    read: readService(kept),
    schema: serviceDaySchema,
  });
  const { text, set, submit } = form;
  const names = new Map((formulas.data ?? []).map(({ id, name }) => [id, name]));
  const send = submit((service) => save.mutate(service, { onSuccess: () => router.replace('/service') }));
  return (
    <Screen
      eyebrow="Service"
      title="Targets for the day"
      foot={
        <>
          {save.error ? <FieldError id="service-error" message={save.error.message} /> : null}
          {form.isRight ? null : <FieldError id="service-form-error" message="Check the fields above." />}
          <PrimaryAction label="Save the service" onPress={send} disabled={save.isPending} />
        </>
      }
    >
      <Hours form={form} />
      <Breads form={form} day={kept.day} names={names} />
      {text.breads.map(({ formulaId }, index) => (
        <BreadWaves key={formulaId} form={form} index={index} name={names.get(formulaId) ?? formulaId} />
      ))}
      <Cooks form={form} />
      <Ticket>
        <Choices
          label="Bread runs short"
          value={text.sureness}
          options={SURE}
          onChange={(sureness) => set({ sureness })}
        />
        <Choices
          label="Left at closing"
          value={text.leftAtClose}
          options={LEFT}
          onChange={(leftAtClose) => set({ leftAtClose })}
        />
        <Body tone="soot">A surer plan makes more and throws more away.</Body>
        <Action label="Discard changes" onPress={() => router.replace('/service')} />
      </Ticket>
    </Screen>
  );
}

/** A day's service: hours, cooks, and what is wanted of which bread when. */
export function ServiceEditScreen() {
  const day = useServiceDate();
  const service = useService(day);
  const formulas = useFormulas();
  const services = useServices();
  if (service.data === undefined || !formulas.data || !services.data) {
    return (
      <Screen title="Service">
        <Waiting
          what="the service"
          error={service.error ?? formulas.error ?? services.error}
          onRetry={() => void service.refetch()}
        />
      </Screen>
    );
  }
  return (
    <Editor
      stored={service.data?.service ?? null}
      kept={
        service.data?.service ??
        nextService(
          day,
          formulas.data.map(({ id }) => id),
          services.data,
        )
      }
    />
  );
}
