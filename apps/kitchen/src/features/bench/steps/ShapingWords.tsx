import { say, sayAll } from '../../../reader/say';
import type { EventOf } from '@kettle-scale/core/batch';
import type { Plan, Step } from '@kettle-scale/core/plan';
import { View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Caution } from '../../../ui/layout/Caution';
import { SPACE } from '../../../ui/tokens';
import { Body, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';

/** Faces closer than this press alike; both hotter than the second, or the dough sticks (trade practice). */
const PRESS = { alikeC: 12, leastC: 150 } as const;
const FACES = [
  ['press-top', 'upper face'],
  ['press-bottom', 'lower face'],
] as const;

function HotPress({ live, step }: { live: LiveBatch; step: Step }) {
  const format = useFormat();
  const seen = live.state.steps.find((one) => one.step.id === step.id)?.seen ?? [];
  const last = (what: (typeof FACES)[number][0]) =>
    seen
      .filter((event): event is EventOf<'measured'> => event.type === 'measured' && event.what === what)
      .at(-1)?.tempC;
  const temps = FACES.map(([what]) => last(what));
  const known = temps.flatMap((tempC) => (tempC === undefined ? [] : [tempC]));
  const cold = known.some((tempC) => tempC < PRESS.leastC);
  const apart = known.length === 2 && Math.abs((known[0] ?? 0) - (known[1] ?? 0)) > PRESS.alikeC;
  return (
    <View style={{ gap: SPACE.s }}>
      {FACES.map(([what, name], index) => (
        <View key={what} style={{ gap: SPACE.xs }}>
          <TakeTemp
            kind="probe"
            label={say('Temperature of the {name}', { name })}
            onTake={(taken) => live.act(measuredBody(step.id, what, taken))}
          />
          {temps[index] === undefined ? null : (
            <Body>{say('The {name} is at {temp}.', { name, temp: format.temp(temps[index]) })}</Body>
          )}
        </View>
      ))}
      {cold ? (
        <Strong tone="plum">
          {say('Below {temp} a face sticks: wait until both are hot.', { temp: format.temp(PRESS.leastC) })}
        </Strong>
      ) : apart ? (
        <Strong tone="plum">The faces differ: the disc will curl to the colder one.</Strong>
      ) : null}
    </View>
  );
}

export const HotPressCaution = () => (
  <Caution
    folded
    lead="Hot press: fingers out first."
    text="Both faces burn: fingers out before it closes, handle only. Open it slowly, steam comes out; lift the disc with a spatula. The maker’s instructions come first."
  />
);

/** From this share of flour on fat keeps a dough off the bench by itself (assumption). */
const FAT_DOUGH = 0.08;
const NO_FLOUR = {
  fat: 'No bench flour: a fat dough takes it up and bakes hard.',
  lean: 'No bench flour, as this formula is worked: a film of oil or a damp bench instead.',
} as const;

function flourWords({ formula, totals }: Plan): string {
  if (formula.bake.floured) return 'Leave the bench flour on: the seconds on the plate count with it.';
  return formula.method.shaping.benchFlour === false
    ? NO_FLOUR[totals.fat >= FAT_DOUGH ? 'fat' : 'lean']
    : 'Brush loose flour off before the plate.';
}

/** What each way of flattening asks for. */
export function ShapingWords({ live, step }: { live: LiveBatch; step: Step }) {
  const { plan } = live.batch;
  const { how } = plan.formula.method.shaping;
  if (how === 'hot-press') return <HotPress live={live} step={step} />;
  const words = {
    pin: 'From the middle outwards, a quarter turn after every stroke. Look at the edge: roll out a thick one, stop short of a thin one.',
    'hand-stretch':
      'Over the backs of the hands, turning: the rim is the last to thin. Mend no holes, they never puff.',
    'sheet-thin':
      'Rolled to the edge of seeing through, then over the long pin; lift it with the pin, not with fingers.',
    'sheet-press':
      'Ball in the middle between two sheets, press, a half turn, press again. Peel off the upper sheet, lay the disc on the palm, peel off the lower. A cracked edge: wet hands, knead the ball once more.',
  }[how];
  return <Body tone="soot">{sayAll([words, flourWords(plan)], ' ')}</Body>;
}
