import { say } from '../reader/say';
import { type FillMethod, type Ingredient, weighOnce } from '@kettle-scale/core/ingredient';
import { InputError } from '@kettle-scale/core/message';
import { type Measures, unitsFor } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { useFormat } from '../ui/useFormat';
import { View } from 'react-native';
import { PrimaryAction } from '../ui/input/actions';
import { Choices } from '../ui/input/Choices';
import { FigureField, numberTyped } from '../ui/input/FigureField';
import { Sheet } from '../ui/layout/Sheet';
import { Body, Heading, Strong } from '../ui/type';

/** A line that was measured by volume, to be weighed. */
export interface CupAsked {
  food: Ingredient;
  fill: FillMethod;
}

interface WeighOnceProps {
  asked: CupAsked | null;
  measures: Measures;
  /** Day of the weighing, as 2026-03-04. */
  today: string;
  onSave: (food: Ingredient) => void;
  onClose: () => void;
}

const CUPS = [
  ['cup', 'one cup'],
  ['tbsp', 'one tablespoon'],
  ['tsp', 'one teaspoon'],
] as const;
type Cup = (typeof CUPS)[number][0];
/** Below this volume a kitchen scale of one gram cannot tell: weigh ten spoons. */
const SPOONS = 10;

/** Replaces the guess for a cup by the kitchen's own: fill it as always, weigh it once. */
export function WeighOnceSheet({ asked, measures, today, onSave, onClose }: WeighOnceProps) {
  const [cup, setCup] = useState<Cup>('cup');
  const [text, setText] = useState('');
  const format = useFormat();
  const [problem, setProblem] = useState<string>();
  const unit = unitsFor(measures).find(({ id }) => id === cup);
  const count = cup === 'cup' ? 1 : SPOONS;
  const save = () => {
    if (!asked || !unit) return;
    try {
      onSave(
        weighOnce(asked.food, asked.fill, { massG: numberTyped(text), ml: unit.size * count, on: today }),
      );
      setText('');
      setProblem(undefined);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setProblem(say(error.problems[0]?.message ?? ''));
    }
  };
  const density = asked?.food.densities?.find(({ fill }) => fill === asked.fill);
  const usual =
    density && unit
      ? say('{value} to {mass}', {
          value: format.massFigure(density.low * unit.size * count).value,
          mass: format.mass(density.high * unit.size * count),
        })
      : '';
  return (
    <Sheet open={asked !== null} onClose={onClose} label="Weigh it once">
      <Heading>{say('Weigh it once: {name}', { name: asked?.food.name ?? '' })}</Heading>
      <Body>
        {say(
          'Tare the measure, fill it the way you always do ({fill}), level it, and weigh. From then on this kitchen knows its own cup.',
          { fill: asked?.fill ?? '' },
        )}
      </Body>
      <Choices
        label="What you fill"
        value={cup}
        options={CUPS.map(([id, words]) => [id, words])}
        onChange={setCup}
      />
      {count > 1 ? (
        <Strong>
          {say('Weigh {spoons, number} of them together: one spoon is too little for the scale.', {
            spoons: SPOONS,
          })}
        </Strong>
      ) : null}
      <View>
        <FigureField
          labelled
          name="weigh-once"
          label={count > 1 ? say('{spoons, number} of them weigh', { spoons: SPOONS }) : 'It weighs'}
          value={text}
          unit="g"
          onText={setText}
          error={problem}
        />
        {usual ? <Body tone="soot">{say('Most kitchens find {usual}.', { usual })}</Body> : null}
      </View>
      <PrimaryAction label="This is our cup" onPress={save} disabled={!(numberTyped(text) > 0)} />
    </Sheet>
  );
}
