import { SKILLS, type ServiceDay, type Skill, readClock } from '@kettle-scale/core/shift';
import { useFill } from './useFill';
import { useRouter } from 'expo-router';
import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { useFormulas, useSaveService, useService } from '../../api/queries';
import { useToday } from '../../shared/useDays';
import { Action, ActionRow, PrimaryAction } from '../../ui/input/actions';
import { Check, Choices } from '../../ui/input/Choices';
import { Field, FieldError } from '../../ui/input/Field';
import { WordField } from '../../ui/input/WordField';
import { useTextForm } from '../../ui/input/useTextForm';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Ticket } from '../../ui/layout/Ticket';
import { FONT, SPACE, TOUCH } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';
import { WaveCurve } from './WaveCurve';
import {
  type ClockField,
  type ServiceText,
  type WaveText,
  blankService,
  clockProblem,
  readService,
  serviceDaySchema,
  serviceText,
} from './serviceForm';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flexGrow: 1, flexBasis: 68, minWidth: 0 },
  figure: { fontFamily: FONT.figure, fontSize: 22, textAlign: 'right', paddingHorizontal: SPACE.s },
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
  ['kept', 'Kept where it holds'],
] as const;
const WAVE_FIELDS = [
  ['opens', 'Opens'],
  ['peak', 'Peak'],
  ['closes', 'Closes'],
  ['pieces', 'Pieces'],
] as const;
const SKILL_WORDS: Record<Skill, string> = {
  ...{ weigh: 'Weighs', load: 'Loads', knead: 'Kneads', divide: 'Divides', roll: 'Rolls', bake: 'Bakes' },
};

type Form = ReturnType<typeof useTextForm<ServiceText, ServiceDay>>;

function TextCell({
  name,
  label,
  value,
  onText,
  error,
}: {
  name: string;
  label: string;
  value: string;
  onText: (text: string) => void;
  error?: string | undefined;
}) {
  return (
    <Field
      {...{ name, label, value, error }}
      said={label}
      onChangeText={onText}
      height={TOUCH.other}
      text={styles.figure}
      style={styles.cell}
    />
  );
}

interface BreadProps {
  form: Form;
  index: number;
  name: string;
}

/** Waves of one bread: as a curve that is dragged, and as figures. */
function BreadWaves({ form, index, name }: BreadProps) {
  const { text, set, problem } = form;
  const bread = text.breads[index];
  if (!bread) return null;
  const put = (waves: WaveText[]) =>
    set({ breads: text.breads.map((one, at) => (at === index ? { ...one, waves } : one)) });
  const change = (wave: number, changes: Partial<WaveText>) =>
    put(bread.waves.map((one, at) => (at === wave ? { ...one, ...changes } : one)));
  const [from, to] = [readClock(text.serviceFrom) ?? 0, readClock(text.serviceTo) ?? 1];
  const last = bread.waves.at(-1);
  return (
    <Ticket>
      <Heading>{name}</Heading>
      {to > from ? <WaveCurve {...{ name, from, to }} waves={bread.waves} onChange={change} /> : null}
      {bread.waves.map((wave, at) => {
        const path = `breads.${index}.waves.${at}`;
        return (
          <View key={at} style={styles.row}>
            {WAVE_FIELDS.map(([field, words]) => (
              <TextCell
                key={field}
                name={`${path}.${field}`}
                label={`${words}${bread.waves.length > 1 ? ` ${at + 1}` : ''}`}
                value={wave[field]}
                onText={(typed) => change(at, { [field]: typed })}
                error={
                  field === 'pieces'
                    ? problem(`${path}.${field}`)
                    : clockProblem(wave[field], problem(`${path}.${field}`))
                }
              />
            ))}
          </View>
        );
      })}
      <ActionRow
        actions={[
          {
            key: 'add',
            label: 'Add a wave',
            hint: `Add a wave of ${name}`,
            onPress: () =>
              put([
                ...bread.waves,
                last ?? {
                  opens: text.serviceFrom,
                  peak: text.serviceFrom,
                  closes: text.serviceTo,
                  pieces: '20',
                },
              ]),
          },
          {
            key: 'less',
            label: 'Remove a wave',
            hint: `Remove a wave of ${name}`,
            disabled: bread.waves.length === 0,
            onPress: () => put(bread.waves.slice(0, -1)),
          },
        ]}
      />
    </Ticket>
  );
}

function Cooks({ form }: { form: Form }) {
  const { text, set, problem } = form;
  const put = (cooks: ServiceText['cooks']) => set({ cooks });
  const ids = new Set(text.cooks.map(({ id }) => id));
  let next = text.cooks.length + 1;
  while (ids.has(`cook-${next}`)) next += 1;
  return (
    <Ticket>
      <Heading>Cooks</Heading>
      {text.cooks.map((cook, at) => (
        <View key={cook.id} style={{ gap: SPACE.xs }}>
          <WordField
            name={`cooks.${at}.name`}
            label={`Cook ${at + 1}`}
            value={cook.name}
            onText={(name) => put(text.cooks.map((one, index) => (index === at ? { ...one, name } : one)))}
            error={problem(`cooks.${at}.name`)}
          />
          <View style={styles.row}>
            {SKILLS.map((skill) => (
              <Check
                key={skill}
                label={SKILL_WORDS[skill]}
                value={cook.can.includes(skill)}
                onChange={(on) =>
                  put(
                    text.cooks.map((one, index) =>
                      index === at
                        ? { ...one, can: on ? [...one.can, skill] : one.can.filter((had) => had !== skill) }
                        : one,
                    ),
                  )
                }
              />
            ))}
          </View>
        </View>
      ))}
      {problem('cooks') ? <FieldError id="cooks-error" message={problem('cooks') ?? ''} /> : null}
      <ActionRow
        actions={[
          {
            key: 'add',
            label: 'Add a cook',
            onPress: () =>
              put([...text.cooks, { id: `cook-${next}`, name: `Cook ${next}`, can: [...SKILLS] }]),
          },
          {
            key: 'less',
            label: 'Remove a cook',
            disabled: text.cooks.length === 0,
            onPress: () => put(text.cooks.slice(0, -1)),
          },
        ]}
      />
    </Ticket>
  );
}

/** Name and hours. */
function Hours({ form: { text, set, problem } }: { form: Form }) {
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
  form: Form;
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
    set({ breads: on ? [...others, { formulaId, orders: undefined, waves }] : others });
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
      <ActionRow
        actions={[
          { key: 'learn', label: 'As this weekday', disabled: fill.past.length === 0, onPress: fill.learn },
          { key: 'file', label: 'From a file', icon: 'upload', onPress: () => input.current?.click() },
        ]}
      />
      <Label>
        {fill.past.length > 0
          ? `${fill.past.length} services of this weekday are in the log; a newer one counts more, what stands here counts as two.`
          : 'No service of this weekday is in the log yet.'}
      </Label>
      <Label>
        A file is CSV with bread, opens, peak, closes and pieces, or a calendar with “60 Deckhand wrap”.
      </Label>
      {fill.problem ? <FieldError id="file-error" message={fill.problem} /> : null}
      <input
        ref={input}
        type="file"
        accept=".csv,.ics,text/csv,text/calendar"
        aria-label="File of what is wanted"
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

function Editor({ kept }: { kept: ServiceDay }) {
  const router = useRouter();
  const save = useSaveService();
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
      title="What the day is to bring"
      foot={
        <>
          {save.error ? <FieldError id="service-error" message={save.error.message} /> : null}
          {form.isRight ? null : (
            <FieldError id="service-form-error" message="Something above is not right yet." />
          )}
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
          label="Somebody goes without bread"
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
  const day = useToday();
  const service = useService(day);
  const formulas = useFormulas();
  if (service.data === undefined || !formulas.data) {
    return (
      <Screen title="Service">
        <Waiting
          what="the service"
          error={service.error ?? formulas.error}
          onRetry={() => void service.refetch()}
        />
      </Screen>
    );
  }
  return (
    <Editor
      kept={
        service.data?.service ??
        blankService(
          day,
          formulas.data.map(({ id }) => id),
        )
      }
    />
  );
}
