import { say } from '../../reader/say';
import { ALLERGENS, INGREDIENT_KINDS } from '@kettle-scale/core/ingredient';
import { StyleSheet, View } from 'react-native';
import { Check, Choices } from '../../ui/input/Choices';
import { FieldError } from '../../ui/input/Field';
import { FigureField } from '../../ui/input/FigureField';
import { Segments } from '../../ui/input/Segments';
import { WordField } from '../../ui/input/WordField';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { Heading, Label } from '../../ui/type';
import type { IngredientText } from './ingredientText';

/** A fat's own state is told of this room, °C. */
const ROOM_C = 20;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flex: 1, minWidth: 96 },
  wrap: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
});

interface ChecksProps<T extends string> {
  label: string;
  names: readonly T[];
  value: readonly T[];
  onChange: (names: T[]) => void;
}

/** Any of a list, each with a box. */
function Checks<T extends string>({ label, names, value, onChange }: ChecksProps<T>) {
  return (
    <View role="group" aria-label={say(label)}>
      <Label>{label}</Label>
      <View style={styles.wrap}>
        {names.map((name) => (
          <Check
            key={name}
            label={name}
            value={value.includes(name)}
            onChange={(on) => onChange(on ? [...value, name] : value.filter((other) => other !== name))}
          />
        ))}
      </View>
    </View>
  );
}

interface FieldsProps {
  text: IngredientText;
  put: <K extends keyof IngredientText>(field: K, value: IngredientText[K]) => void;
  problem: (field: string) => string | undefined;
}

/** Its name, its kind, and how it behaves. */
export function WhatTicket({
  text,
  put,
  problem,
  nameProblem,
}: FieldsProps & { nameProblem: string | undefined }) {
  const format = useFormat();
  return (
    <Ticket>
      <Heading>What it is</Heading>
      <WordField
        name="name"
        label="Name"
        value={text.name}
        onText={(value) => put('name', value)}
        error={nameProblem}
      />
      <Choices
        label="Kind"
        value={text.kind}
        options={INGREDIENT_KINDS.map((kind) => [kind, kind])}
        onChange={(kind) => put('kind', kind)}
      />
      {problem('kind') ? <FieldError id="kind-error" message={problem('kind') ?? ''} /> : null}
      <WordField
        name="aliases"
        label="Also written as, with commas"
        value={text.aliases}
        rows={2}
        onText={(value) => put('aliases', value)}
        error={problem('aliases')}
      />
      <WordField
        name="note"
        label="Note for the cook"
        value={text.note}
        rows={2}
        onText={(value) => put('note', value)}
        error={problem('note')}
      />
      {text.kind === 'flour' ? (
        <>
          <Segments
            labelled
            label="Rolls"
            value={text.rolls || 'well'}
            options={[
              ['well', 'Well'],
              ['with care', 'With care'],
              ['no', 'No'],
            ]}
            onChange={(value) => put('rolls', value)}
          />
          <FigureField
            labelled
            name="absorption"
            label="Absorption"
            unit="%"
            value={text.absorption}
            onText={(value) => put('absorption', value)}
            error={problem('absorption')}
          />
        </>
      ) : null}
      {text.kind === 'fat' ? (
        <Segments
          labelled
          label={say('At {temp}', { temp: format.temp(ROOM_C) })}
          value={text.at20 || 'solid'}
          options={[
            ['solid', 'Solid'],
            ['soft', 'Soft'],
            ['liquid', 'Liquid'],
          ]}
          onChange={(value) => put('at20', value)}
        />
      ) : null}
    </Ticket>
  );
}

/** What a pack of it holds and costs. */
export function PackTicket({ text, put, problem, currency }: FieldsProps & { currency: string }) {
  return (
    <Ticket>
      <Heading>Pack and price</Heading>
      <View style={styles.row}>
        <FigureField
          labelled
          name="packG"
          label="A pack holds"
          unit="g"
          value={text.packG}
          onText={(value) => put('packG', value)}
          error={problem('packG')}
          style={styles.cell}
        />
        <FigureField
          labelled
          name="price"
          label="and costs"
          unit={currency}
          value={text.price}
          onText={(value) => put('price', value)}
          error={problem('price')}
          style={styles.cell}
        />
      </View>
    </Ticket>
  );
}

/** What must be declared of it. */
export function AllergensTicket({ text, put }: Omit<FieldsProps, 'problem'>) {
  return (
    <Ticket>
      <Heading>Allergens</Heading>
      <Checks
        label="Always contains it"
        names={ALLERGENS}
        value={text.allergens}
        onChange={(names) => put('allergens', names)}
      />
      <Checks
        label="In some brands: the pack decides"
        names={ALLERGENS.filter((name) => !text.allergens.includes(name))}
        value={text.mayContain}
        onChange={(names) => put('mayContain', names)}
      />
      <Label>Your supplier’s label and your local food code decide what must be declared.</Label>
    </Ticket>
  );
}
