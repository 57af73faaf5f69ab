import { say } from '../../reader/say';
import { DOUGH_AIMS, type DoughAim } from '@kettle-scale/core/dough';
import { type Draft, KNEAD_TESTS, REST_TESTS, SPEEDS, kneadTestWords } from '@kettle-scale/core/formula';
import { StyleSheet, View } from 'react-native';
import { Action } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading, Strong } from '../../ui/type';
import { DraftFigure } from './fields';
import { useEditing } from './editing';

const PER_MINUTE = 1 / 60;
const MOST_ROUNDS = 3;
const NEW_ROUND = { pauseS: 600, minS: 60, maxS: 180 } as const;

export const BY_WHOM = [
  ['hand', 'By hand'],
  ['machine', 'In the mixer'],
] as const;

const AIM_WORDS: Record<DoughAim, string> = {
  'slightly tacky': 'slightly tacky, rolled with flour',
  soft: 'soft and smooth',
  stiff: 'stiff',
};

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' },
  half: { flex: 1, minWidth: 130 },
  round: { gap: SPACE.s },
});

const REST_WORDS: Record<(typeof REST_TESTS)[number], string> = {
  'a dent fills slowly': 'rests until a dent fills slowly',
  'stretches without tearing': 'rests until it stretches without tearing',
  'smooth and soft': 'rests until it is smooth and soft',
};

interface SpeedChoiceProps {
  label: string;
  value: Speed | undefined;
  onChange: (speed: Speed | undefined) => void;
}
type Speed = (typeof SPEEDS)[number];

/** How fast a mixer turns, where the formula says so. */
export const SpeedChoice = ({ label, value, onChange }: SpeedChoiceProps) => (
  <Segments
    labelled
    label={label}
    value={value ?? 'unsaid'}
    options={[['unsaid', 'any speed'], ...SPEEDS.map((speed) => [speed, speed] as const)]}
    onChange={(speed) => onChange(speed === 'unsaid' ? undefined : speed)}
  />
);

interface WorkMinutesProps {
  label: string;
  path: string;
  of: (draft: Draft) => { minS: number; maxS: number } | undefined;
}

/** From when to test, and the longest: the clock is a guard rail. */
export function WorkMinutes({ label, path, of }: WorkMinutesProps) {
  const { draft } = useEditing();
  return (
    <View style={styles.row}>
      {(['minS', 'maxS'] as const).map((end) => (
        <DraftFigure
          key={end}
          label={end === 'minS' ? say('{label} from', { label }) : 'to'}
          path={`${path}.${end}`}
          unit="min"
          shown={PER_MINUTE}
          value={of(draft)?.[end]}
          set={(d, value) => {
            const work = of(d);
            if (work) work[end] = Math.round(value);
          }}
          style={styles.half}
        />
      ))}
    </View>
  );
}

/** Left in peace and kneaded again; what goes in late is worked in the first time. */
function Round({ index }: { index: number }) {
  const { draft, edit } = useEditing();
  const path = `method.knead.again[${index}]`;
  const of = (d: Draft) => d.method.knead.again?.[index];
  const late = index === 0 && draft.lines.some((line) => line.late);
  return (
    <View style={styles.round}>
      <Strong>{late ? 'Then, with what goes in late' : 'Then again'}</Strong>
      <DraftFigure
        label="After a pause of"
        path={`${path}.pauseS`}
        unit="min"
        shown={PER_MINUTE}
        value={of(draft)?.pauseS}
        set={(d, value) => {
          const round = of(d);
          if (round) round.pauseS = Math.round(value);
        }}
      />
      <Choices
        label="Before that it"
        value={of(draft)?.restTest ?? 'waits'}
        options={[['waits', 'only waits'], ...REST_TESTS.map((test) => [test, REST_WORDS[test]] as const)]}
        onChange={(test) =>
          edit((d) => {
            const round = of(d);
            if (round) round.restTest = test === 'waits' ? undefined : test;
          })
        }
      />
      <WorkMinutes label="Knead again" path={path} of={of} />
      <Action
        label="Remove this kneading"
        icon="trash"
        hint={say('Remove kneading {index, number}', { index: index + 2 })}
        onPress={() =>
          edit((d) => {
            const rounds = d.method.knead.again?.filter((_round, other) => other !== index) ?? [];
            if (rounds.length > 0) d.method.knead.again = rounds;
            else delete d.method.knead.again;
          })
        }
      />
    </View>
  );
}

/** Kneading in its rounds, to the feel that is wanted and the test that ends it. */
export function KneadTicket() {
  const { draft, edit } = useEditing();
  const { knead } = draft.method;
  const rounds = knead.again?.length ?? 0;
  return (
    <Ticket>
      <Heading>Knead</Heading>
      <Segments
        label="Knead by"
        value={knead.by}
        options={BY_WHOM}
        onChange={(by) => edit((d) => void (d.method.knead.by = by))}
      />
      {knead.by === 'machine' ? (
        <SpeedChoice
          label="Speed while kneading"
          value={knead.speed}
          onChange={(speed) => edit((d) => void (d.method.knead.speed = speed))}
        />
      ) : null}
      <WorkMinutes label="Knead" path="method.knead" of={(d) => d.method.knead} />
      <Choices
        label="The feel that is wanted"
        value={knead.aim ?? 'soft'}
        options={DOUGH_AIMS.map((aim) => [aim, AIM_WORDS[aim]])}
        onChange={(aim) => edit((d) => void (d.method.knead.aim = aim))}
      />
      <Choices
        label="Done when"
        value={knead.test}
        options={KNEAD_TESTS.map((test) => [
          test,
          kneadTestWords({ formula: { method: { knead: { test } } } }),
        ])}
        onChange={(test) => edit((d) => void (d.method.knead.test = test))}
      />
      {Array.from({ length: rounds }, (_, index) => (
        <Round key={index} index={index} />
      ))}
      <Action
        label="Pause, and knead again"
        icon="plus"
        disabled={rounds >= MOST_ROUNDS}
        onPress={() =>
          edit((d) => {
            d.method.knead.again = [...(d.method.knead.again ?? []), { by: d.method.knead.by, ...NEW_ROUND }];
          })
        }
      />
    </Ticket>
  );
}
