import { FATS_IN, MIXING_SCHOOLS } from '@kettle-scale/core/formula';
import { StyleSheet, View } from 'react-native';
import { Check, Choices } from '../../ui/input/Choices';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading } from '../../ui/type';
import { DraftFigure } from './fields';
import { useEditing } from './editing';
import { BY_WHOM, SpeedChoice, WorkMinutes } from './KneadTicket';

const PER_MINUTE = 1 / 60;
const PERCENT = 100;
const USUAL_SOAK = { share: 0.5, restS: 1800 } as const;

const SCHOOL_WORDS: Record<(typeof MIXING_SCHOOLS)[number], string> = {
  'hold-back': 'Hold water back',
  'flour-back': 'Hold flour back',
  'rubbed-in': 'Rub fat in',
  creamed: 'Cream the fat',
  oil: 'Melted fat or oil',
  'boiling-water': 'Boiling water',
  milk: 'Milk dough',
  'yogurt-leavener': 'Yogurt and leavener',
};

const FAT_WORDS: Record<(typeof FATS_IN)[number], string> = {
  rubbed: 'rubbed into the flour',
  creamed: 'creamed first',
  whisked: 'whisked into the liquid',
  worked: 'worked into the dough',
  melted: 'melted, into the flour',
};

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' },
  half: { flex: 1, minWidth: 130 },
});

/** School, where fat and salt go, water, and the hands that mix. */
export function MixTicket() {
  const { draft, edit } = useEditing();
  const { method } = draft;
  return (
    <Ticket>
      <Heading>Mix</Heading>
      <Choices
        label="Mixing school"
        value={method.school}
        options={MIXING_SCHOOLS.map((id) => [id, SCHOOL_WORDS[id]])}
        onChange={(school) => edit((d) => void (d.method.school = school))}
      />
      <Choices
        label="Fat goes in"
        value={method.fatIn ?? 'school'}
        options={[['school', 'as the school does'], ...FATS_IN.map((way) => [way, FAT_WORDS[way]] as const)]}
        onChange={(way) =>
          edit((d) => {
            if (way === 'school') delete d.method.fatIn;
            else d.method.fatIn = way;
          })
        }
      />
      <Segments
        labelled
        label="Salt goes into"
        value={method.saltIn}
        options={[
          ['water', 'the water'],
          ['flour', 'the flour'],
        ]}
        onChange={(saltIn) => edit((d) => void (d.method.saltIn = saltIn))}
      />
      <View style={styles.row}>
        <DraftFigure
          label="Liquid at"
          path="method.liquidTempC"
          unit="°C"
          value={method.liquidTempC}
          set={(d, value) => (d.method.liquidTempC = value)}
          style={styles.half}
        />
        <DraftFigure
          label="Liquid held back"
          path="method.holdBack"
          unit="%"
          shown={PERCENT}
          value={method.holdBack}
          set={(d, value) => (d.method.holdBack = value)}
          style={styles.half}
        />
      </View>
      <Segments
        label="Mix by"
        value={method.mix.by}
        options={BY_WHOM}
        onChange={(by) => edit((d) => void (d.method.mix.by = by))}
      />
      {method.mix.by === 'machine' ? (
        <SpeedChoice
          label="Speed while mixing"
          value={method.mix.speed}
          onChange={(speed) => edit((d) => void (d.method.mix.speed = speed))}
        />
      ) : null}
      <WorkMinutes label="Mix" path="method.mix" of={(d) => d.method.mix} />
      <SoakFields />
    </Ticket>
  );
}

/** Part of the flour, wetted and set aside before the rest goes in. */
function SoakFields() {
  const { draft, edit } = useEditing();
  const { soak } = draft.method;
  return (
    <>
      <Check
        label="part of the flour is wetted first"
        value={soak !== undefined}
        onChange={(on) =>
          edit((d) => {
            if (on) d.method.soak = { ...USUAL_SOAK };
            else delete d.method.soak;
          })
        }
      />
      {soak ? (
        <View style={styles.row}>
          <DraftFigure
            label="Of the flour"
            path="method.soak.share"
            unit="%"
            shown={PERCENT}
            value={soak.share}
            set={(d, value) => {
              if (d.method.soak) d.method.soak.share = value;
            }}
            style={styles.half}
          />
          <DraftFigure
            label="Set aside for"
            path="method.soak.restS"
            unit="min"
            shown={PER_MINUTE}
            value={soak.restS}
            set={(d, value) => {
              if (d.method.soak) d.method.soak.restS = Math.round(value);
            }}
            style={styles.half}
          />
        </View>
      ) : null}
    </>
  );
}
