import { sayAll } from '../../reader/say';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Need } from '@kettle-scale/core/plan';
import { parseQuantity, roundToStep } from '@kettle-scale/core/quantity';
import { StyleSheet, View } from 'react-native';
import { Choices } from '../../ui/input/Choices';
import { FigureField } from '../../ui/input/FigureField';
import { StepperField } from '../../ui/input/StepperField';
import { FieldError } from '../../ui/input/Field';
import { SPACE } from '../../ui/tokens';
import { Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { FIELDS_OF, type NeedErrors, type NeedField, type NeedText, bareUnit, typedMass } from './planForm';

/** One press of − or +: pieces, grams or millimetres. */
const STEP: Record<NeedField, number> = {
  pieces: 1,
  bowls: 1,
  ball: 1,
  flour: 100,
  flourEach: 1,
  dough: 100,
  diameter: 5,
  thickness: 0.1,
};
const GRAMS_PER_OUNCE_STEP = 28.349523125 / 10;
const INCH_STEP = { diameter: 0.25, thickness: 0.005 } as const;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: SPACE.m },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flexGrow: 1, flexBasis: 150 },
});

const WAYS: readonly (readonly [Need['by'], string])[] = [
  ['pieces', 'Pieces'],
  ['discs', 'Bread size'],
  ['flour-each', 'Flour each'],
  ['dough', 'Dough'],
  ['flour', 'Flour at hand'],
  ['stock', 'What is left'],
  ['bowl', 'Full bowls'],
];

const isLength = (field: NeedField): field is 'diameter' | 'thickness' =>
  field === 'diameter' || field === 'thickness';
const isMass = (field: NeedField): field is 'ball' | 'flour' | 'flourEach' | 'dough' =>
  field === 'ball' || field === 'flour' || field === 'flourEach' || field === 'dough';

const WORDS: Record<NeedField, string> = {
  pieces: 'Pieces',
  bowls: 'Bowls',
  ball: 'Ball',
  flour: 'Flour at hand',
  flourEach: 'Flour a piece',
  dough: 'Dough',
  diameter: 'Across',
  thickness: 'Thick',
};

interface NeedFieldsProps {
  text: NeedText;
  errors: NeedErrors;
  onChange: (changes: Partial<NeedText>) => void;
  /** What a stock may be named of. */
  formula: Formula;
  ingredients: readonly Ingredient[];
}

/** How much is needed, said in the way that is known: pieces, bread, dough, flour, what is left, full bowls. */
export function NeedFields({ text, errors, onChange, formula, ingredients }: NeedFieldsProps) {
  const { units } = useFormat();
  const massUnit = units === 'metric' ? 'g' : 'oz';
  const unitOf = (field: NeedField) =>
    isMass(field) ? massUnit : isLength(field) ? (units === 'metric' ? 'mm' : 'in') : '';

  const stepped = (field: NeedField, direction: 1 | -1): string => {
    if (isMass(field)) {
      const parsed = parseQuantity(text[field], { defaultUnit: bareUnit(units) });
      const stepG =
        units === 'us' && (field === 'ball' || field === 'flourEach') ? GRAMS_PER_OUNCE_STEP : STEP[field];
      const fromG = parsed.ok && parsed.quantity.kind === 'mass' ? parsed.quantity.amount : 0;
      const steps = Math.max(1, Math.round(fromG / stepG) + direction);
      return typedMass(units === 'us' ? steps * stepG : roundToStep(steps * stepG, 1), units);
    }
    const step = isLength(field) && units === 'us' ? INCH_STEP[field] : STEP[field];
    const now = Number.parseFloat(text[field]) || 0;
    return String(Number(Math.max(step, now + direction * step).toFixed(3)));
  };
  const foodOf = (id: string) => ingredients.find((food) => food.id === id);
  const stocked = [...new Set(formula.lines.map((line) => line.ingredient))].filter(
    (id) => foodOf(id)?.kind !== 'water',
  );
  return (
    <View style={{ gap: SPACE.m }}>
      <Choices label="How much" quiet value={text.by} onChange={(by) => onChange({ by })} options={WAYS} />
      <View style={styles.row}>
        {FIELDS_OF[text.by].map(([field]) => (
          <StepperField
            key={field}
            name={field}
            label={sayAll([WORDS[field], unitOf(field)])}
            text={text[field]}
            onText={(value) => onChange({ [field]: value })}
            onStep={(direction) => onChange({ [field]: stepped(field, direction) })}
            error={errors[field]}
            size={text.by === 'discs' ? 44 : 56}
          />
        ))}
      </View>
      {text.by === 'stock' ? (
        <View style={{ gap: SPACE.s }}>
          <Label>What you have. Leave empty what there is plenty of.</Label>
          <View style={styles.grid}>
            {stocked.map((id) => (
              <FigureField
                key={id}
                labelled
                name={`stock-${id}`}
                label={foodOf(id)?.name ?? id}
                unit={massUnit}
                value={text.stock[id] ?? ''}
                onText={(value) => onChange({ stock: { ...text.stock, [id]: value } })}
                style={styles.cell}
              />
            ))}
          </View>
          {errors.stock ? <FieldError id="stock-error" message={errors.stock} /> : null}
        </View>
      ) : null}
    </View>
  );
}
