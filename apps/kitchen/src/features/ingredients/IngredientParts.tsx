import { figure } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import { FILL_METHODS, type Ingredient } from '@kettle-scale/core/ingredient';
import { StyleSheet, View } from 'react-native';
import { FigureField } from '../../ui/input/FigureField';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';
import type { IngredientText } from './ingredientText';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flex: 1, minWidth: 96 },
});

const SHARE_WORDS = [
  ['water', 'Water'],
  ['protein', 'Protein'],
  ['fat', 'Fat'],
  ['carbohydrate', 'Carbohydrate'],
  ['ash', 'Ash and salt'],
] as const;
const ENDS = [
  ['low', 'low'],
  ['typical', 'typical'],
  ['high', 'high'],
] as const;

/** A part of the form: what is typed, how it is changed, and the sentence at a field. */
interface PartProps {
  food: Ingredient | null;
  text: IngredientText;
  put: <K extends keyof IngredientText>(field: K, value: IngredientText[K]) => void;
  problem: (field: string) => string | undefined;
}

/** Densities by the way a measure is filled, and pieces that are counted. */
export function MeasuresTicket({ food, text, put, problem }: PartProps) {
  return (
    <Ticket>
      <Heading>What a measure of it weighs</Heading>
      <Body tone="soot">
        Grams in one millilitre: least, usual, most. Leave a way empty that is not used.
      </Body>
      {FILL_METHODS.map((fill) => {
        const own = food?.densities?.find((density) => density.fill === fill)?.weighedOn;
        return (
          <View key={fill}>
            <Label>{own ? say('{fill}; our own cup, weighed {own}', { fill, own }) : fill}</Label>
            <View style={styles.row}>
              {ENDS.map(([end, words]) => (
                <FigureField
                  key={end}
                  name={`${fill}-${end}`}
                  label={sayAll([fill, words])}
                  unit="g/ml"
                  value={text.fills[fill][end]}
                  onText={(value) =>
                    put('fills', { ...text.fills, [fill]: { ...text.fills[fill], [end]: value } })
                  }
                  style={styles.cell}
                />
              ))}
            </View>
            {problem(`fills.${fill}`) ? (
              <FieldError id={`${fill}-error`} message={problem(`fills.${fill}`) ?? ''} />
            ) : null}
          </View>
        );
      })}
      <Label>Counted: name of the piece, and grams of one</Label>
      {text.pieces.map((piece, index) => (
        <View key={index}>
          <View style={styles.row}>
            <WordField
              quiet
              name={`piece-${index}`}
              label={say('Piece {index, number}', { index: index + 1 })}
              value={piece.name}
              onText={(name) =>
                put(
                  'pieces',
                  text.pieces.map((entry, at) => (at === index ? { ...entry, name } : entry)),
                )
              }
              style={styles.cell}
            />
            {ENDS.map(([end, words]) => (
              <FigureField
                key={end}
                name={`piece-${index}-${end}`}
                label={say('Piece {index, number}, {words}', { index: index + 1, words })}
                unit="g"
                value={piece[end]}
                onText={(value) =>
                  put(
                    'pieces',
                    text.pieces.map((entry, at) => (at === index ? { ...entry, [end]: value } : entry)),
                  )
                }
                style={styles.cell}
              />
            ))}
          </View>
          {problem(`pieces.${index}`) ? (
            <FieldError id={`piece-${index}-error`} message={problem(`pieces.${index}`) ?? ''} />
          ) : null}
        </View>
      ))}
    </Ticket>
  );
}

interface MadeOfProps extends PartProps {
  /** Worked out from the parts; null while they cannot be read. */
  heatKJKgK: number | null;
}

/** Composition, and the heat it takes to warm it. */
export function MadeOfTicket({ food, text, put, problem, heatKJKgK }: MadeOfProps) {
  return (
    <Ticket>
      <Heading>What it is made of</Heading>
      <View style={styles.row}>
        {SHARE_WORDS.map(([part, words]) => (
          <FigureField
            key={part}
            labelled
            name={part}
            label={words}
            unit="%"
            value={text.shares[part]}
            onText={(value) => put('shares', { ...text.shares, [part]: value })}
            error={problem(`shares.${part}`)}
            style={styles.cell}
          />
        ))}
        <FigureField
          labelled
          name="heat"
          label="Heat capacity"
          unit="kJ/(kg K)"
          value={text.heat}
          onText={(value) => put('heat', value)}
          error={problem('heat')}
          style={styles.cell}
        />
      </View>
      {text.heat.trim() === '' && heatKJKgK !== null ? (
        <Label>
          {say('Left empty it is worked out: {heatKJKg} kJ/(kg K).', { heatKJKg: figure(heatKJKgK, 2) })}
        </Label>
      ) : null}
      {food?.source ? <Label>{food.source}</Label> : null}
    </Ticket>
  );
}
