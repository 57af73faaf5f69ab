import { freeId, slugOf } from '@kettle-scale/core/formula';
import {
  FLAMES,
  type FlameSetting,
  type Griddle,
  MATERIALS,
  griddleSchema,
} from '@kettle-scale/core/kitchen';
import { StyleSheet, View } from 'react-native';
import { DeleteAction } from '../../../ui/input/DeleteAction';
import { PrimaryAction } from '../../../ui/input/actions';
import { Choices } from '../../../ui/input/Choices';
import { numberTyped } from '../../../ui/input/FigureField';
import { FieldError } from '../../../ui/input/Field';
import { SPACE } from '../../../ui/tokens';
import { Heading } from '../../../ui/type';
import { useTextForm } from '../../../ui/input/useTextForm';
import { WordField } from '../../../ui/input/WordField';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flexGrow: 1, flexBasis: 140 },
});

/** Pans as kitchens have them, on a burner turned by eye (assumed sizes). */
const PANS = [
  { name: 'Iron pan', material: 'cast iron', thicknessMm: '4.5', widthMm: '280' },
  { name: 'Aluminium pan', material: 'aluminium', thicknessMm: '3', widthMm: '280' },
  { name: 'Steel pan', material: 'steel', thicknessMm: '3', widthMm: '280' },
  { name: 'Comal', material: 'steel', thicknessMm: '3', widthMm: '360' },
] as const;
const KNOB = 'by the knob';
const PAN_W = '2500';

const NEW: Griddle = {
  ...{ id: '', name: '', material: 'steel', thicknessMm: 10, shape: 'rectangle', widthMm: 600, depthMm: 450 },
  ...{ heat: 'thermostat', powerW: 6000, marks: [] },
};

interface PlateFormProps {
  griddle: Griddle | null;
  taken: ReadonlySet<string>;
  problem: string | undefined;
  onSave: (griddle: Griddle) => void;
  onRemove: (() => void) | null;
}

interface KindProps {
  text: Pick<Griddle, 'material' | 'shape' | 'domed' | 'heat' | 'flame' | 'nonStick'>;
  set: (changes: Partial<KindProps['text']>) => void;
}

/** What it is made of, its shape and surface, how it is heated. */
function Kind({ text, set }: KindProps) {
  return (
    <>
      <Choices
        label="Made of"
        value={text.material}
        onChange={(material) => set({ material })}
        options={MATERIALS.map((material) => [material, material] as const)}
      />
      <Choices
        label="Shape"
        value={text.shape}
        onChange={(shape) => set({ shape })}
        options={[
          ['rectangle', 'Rectangle'],
          ['round', 'Round'],
        ]}
      />
      <Choices
        label="Surface"
        value={text.domed ? 'domed' : 'flat'}
        onChange={(surface) => set({ domed: surface === 'domed' })}
        options={[
          ['flat', 'Flat'],
          ['domed', 'Domed'],
        ]}
      />
      <Choices
        label="Heat"
        value={text.heat}
        onChange={(heat) => set({ heat })}
        options={[
          ['thermostat', 'Keeps its heat by itself'],
          ['burner', 'Burns as the knob stands'],
        ]}
      />
      {text.heat === 'burner' ? (
        <Choices<FlameSetting | typeof KNOB>
          label="Flame"
          value={text.flame ?? KNOB}
          options={[[KNOB, 'A knob with marks'], ...FLAMES.map((flame) => [flame, flame] as const)]}
          onChange={(flame) => set({ flame: flame === KNOB ? undefined : flame })}
        />
      ) : null}
      <Choices
        label="Coating"
        value={text.nonStick ? 'non-stick' : 'bare'}
        onChange={(coating) => set({ nonStick: coating === 'non-stick' })}
        options={[
          ['bare', 'Bare metal or stone'],
          ['non-stick', 'Non-stick'],
        ]}
      />
    </>
  );
}

/** What a plate is: size, material, thickness, power. Marks and readings are taken on its page. */
export function PlateForm({ griddle, taken, problem, onSave, onRemove }: PlateFormProps) {
  const first = griddle ?? NEW;
  const {
    text,
    set,
    problem: at,
    figure,
    submit,
  } = useTextForm({
    first: {
      ...first,
      thicknessMm: String(first.thicknessMm),
      widthMm: String(first.widthMm),
      depthMm: String(first.depthMm),
      powerW: String(first.powerW),
    },
    schema: griddleSchema,
    read: (typed) => ({
      ...typed,
      id: typed.id || freeId(slugOf(typed.name), taken),
      thicknessMm: numberTyped(typed.thicknessMm),
      widthMm: numberTyped(typed.widthMm),
      depthMm: numberTyped(typed.shape === 'round' ? typed.widthMm : typed.depthMm),
      powerW: numberTyped(typed.powerW),
    }),
  });
  return (
    <>
      <Heading>{griddle ? griddle.name : 'A plate'}</Heading>
      <WordField
        name="plate-name"
        label="Name"
        value={text.name}
        onText={(name) => set({ name })}
        error={at('name')}
      />
      {griddle ? null : (
        <Choices
          label="Or start from a pan"
          value={null}
          options={PANS.map(({ name }) => [name, name] as const)}
          onChange={(name) => {
            const pan = PANS.find((one) => one.name === name);
            if (!pan) return;
            const { widthMm } = pan;
            set({ ...pan, depthMm: widthMm, shape: 'round', heat: 'burner', flame: 'medium', powerW: PAN_W });
          }}
        />
      )}
      <Kind {...{ text, set }} />
      <View style={styles.row}>
        {figure('widthMm', text.shape === 'round' ? 'Across' : 'Width', 'mm', styles.cell)}
        {text.shape === 'round' ? null : figure('depthMm', 'Depth', 'mm', styles.cell)}
        {figure('thicknessMm', 'Thickness', 'mm', styles.cell)}
        {figure('powerW', 'Power', 'W', styles.cell)}
      </View>
      {problem ? <FieldError id="plate-error" message={problem} /> : null}
      <PrimaryAction label="Save" onPress={submit(onSave)} />
      {onRemove ? <DeleteAction label="Delete" means="delete this plate" onPress={onRemove} /> : null}
    </>
  );
}
