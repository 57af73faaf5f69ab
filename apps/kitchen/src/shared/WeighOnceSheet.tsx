import { say } from '../reader/say';
import { type FillMethod, type Ingredient, weighOnce } from '@kettle-scale/core/ingredient';
import { asText, InputError } from '@kettle-scale/core/message';
import { type Measures, unitsFor } from '@kettle-scale/core/quantity';
import { useFormat } from '../ui/useFormat';
import { View } from 'react-native';
import { PrimaryAction } from '../ui/input/actions';
import { Choices } from '../ui/input/Choices';
import { numberTyped } from '../ui/input/FigureField';
import { useTextForm } from '../ui/input/useTextForm';
import { Sheet } from '../ui/layout/Sheet';
import { Body, Heading, Strong } from '../ui/type';
import { z } from 'zod';

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
const countOf = (cup: Cup): number => (cup === 'cup' ? 1 : SPOONS);

type Text = { cup: Cup; massG: string };
const EMPTY: Text = { cup: 'cup', massG: '' };

/** Replaces the guess for a cup by the kitchen's own: fill it as always, weigh it once. */
export function WeighOnceSheet({ asked, measures, today, onSave, onClose }: WeighOnceProps) {
  const format = useFormat();
  const { text, set, figure, submit, reset } = useTextForm<Text, Ingredient | null>({
    first: EMPTY,
    read: (typed) => typed,
    schema: z.custom<Text>().transform(({ cup, massG }, ctx) => {
      try {
        return (
          asked && weighOnce(asked.food, asked.fill, { massG: numberTyped(massG), ml: mlOf(cup), on: today })
        );
      } catch (error) {
        if (!(error instanceof InputError)) throw error;
        ctx.addIssue({ code: 'custom', path: ['massG'], message: asText(error.problems[0]?.message ?? '') });
        return z.NEVER;
      }
    }),
  });
  const { cup } = text;
  const count = countOf(cup);
  const mlOf = (measure: Cup) =>
    (unitsFor(measures).find(({ id }) => id === measure)?.size ?? NaN) * countOf(measure);
  const save = submit((food) => {
    if (food) onSave(food);
    reset(EMPTY);
  });
  const density = asked?.food.densities?.find(({ fill }) => fill === asked.fill);
  const usual =
    density &&
    say('{value} to {mass}', {
      value: format.massFigure(density.low * mlOf(cup)).value,
      mass: format.mass(density.high * mlOf(cup)),
    });
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
        onChange={(measure) => set({ cup: measure })}
      />
      {count > 1 ? (
        <Strong>
          {say('Weigh {spoons, number} of them together: one spoon is too little for the scale.', {
            spoons: SPOONS,
          })}
        </Strong>
      ) : null}
      <View>
        {figure(
          'massG',
          count > 1 ? say('{spoons, number} of them weigh', { spoons: SPOONS }) : 'It weighs',
          'g',
        )}
        {usual ? <Body tone="soot">{say('Most kitchens find {usual}.', { usual })}</Body> : null}
      </View>
      <PrimaryAction label="This is our cup" onPress={save} disabled={!(numberTyped(text.massG) > 0)} />
    </Sheet>
  );
}
