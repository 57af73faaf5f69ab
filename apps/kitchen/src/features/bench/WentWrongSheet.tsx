import { say } from '../../reader/say';
import {
  type BallsGone,
  type ForgottenCure,
  ballsAtHand,
  forgettable,
  forgottenCure,
} from '@kettle-scale/core/batch';
import type { Step } from '@kettle-scale/core/plan';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { formatPercent } from '../../reader/figures';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { CountField, countIn } from '../../ui/input/CountField';
import { Sheet } from '../../ui/layout/Sheet';
import { Leader } from '../../ui/layout/Ticket';
import { Body, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

const GONE: readonly (readonly [how: BallsGone, label: string])[] = [
  ['dropped', 'A ball dropped'],
  ['short', 'A ball short'],
];

interface WentWrongProps {
  live: LiveBatch;
  open: boolean;
  onClose: () => void;
}

/** What goes wrong on a bench, in the words of the bench: each is an act of the record, with its cure where there is one. */
export function WentWrongSheet({ live, open, onClose }: WentWrongProps) {
  return (
    <Sheet open={open} onClose={onClose} label="Something went wrong">
      {open ? <Choice live={live} onClose={onClose} /> : null}
    </Sheet>
  );
}

function Choice({ live, onClose }: Omit<WentWrongProps, 'open'>) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const [gone, setGone] = useState<(typeof GONE)[number] | null>(null);
  const [forgotten, setForgotten] = useState<Step | null>(null);
  const steps = forgettable(plan, state);
  const nameOf = (step: Step) => plan.sheet.find(({ lineId }) => lineId === step.lineId)?.name ?? '';
  if (forgotten) return <Cure live={live} onClose={onClose} step={forgotten} name={nameOf(forgotten)} />;
  if (gone) {
    const [how, label] = gone;
    const onCount = (pieces: number) => act({ type: 'balls-gone', pieces, how });
    return <HowMany label={label} onClose={onClose} onCount={onCount} most={ballsAtHand(plan, state)} />;
  }
  const canBeGone = state.divided !== null && ballsAtHand(plan, state) > 0;
  return (
    <>
      <Heading>What went wrong?</Heading>
      {canBeGone
        ? GONE.map((one) => <Action key={one[0]} label={one[1]} onPress={() => setGone(one)} />)
        : null}
      {steps.map((step) => (
        <Action
          key={step.id}
          label={
            plan.bowls > 1
              ? say('No {name} in, bowl {bowl, number}', {
                  name: { lower: nameOf(step) },
                  bowl: step.bowl ?? 1,
                })
              : say('No {name} in', { name: { lower: nameOf(step) } })
          }
          onPress={() => {
            act({ type: 'forgotten', stepId: step.id });
            setForgotten(step);
          }}
        />
      ))}
      {!canBeGone && steps.length === 0 ? (
        <Body>Nothing is mixed or cut yet: undo takes back what was told wrong.</Body>
      ) : null}
    </>
  );
}

interface HowManyProps {
  label: string;
  most: number;
  onCount: (pieces: number) => void;
  onClose: () => void;
}

function HowMany({ label, most, onCount, onClose }: HowManyProps) {
  const [text, setText] = useState('1');
  const pieces = countIn(text, most);
  return (
    <>
      <Heading>{label}</Heading>
      <CountField name="balls-gone" label="Balls" most={most} text={text} onText={setText} />
      <PrimaryAction
        label="Count them out"
        disabled={pieces === null}
        onPress={() => {
          if (pieces !== null) onCount(pieces);
          onClose();
        }}
      />
    </>
  );
}

interface CureProps {
  live: LiveBatch;
  step: Step;
  name: string;
  onClose: () => void;
}

/** How what was forgotten still goes in, and what that makes of the dough; that it no longer can, once the balls are cut. */
function Cure({ live, step, name, onClose }: CureProps) {
  const cure = forgottenCure(live.batch.plan, live.state, step);
  if (!cure) {
    return (
      <>
        <Heading>{say('No {name} in: it is in the record', { name: { lower: name } })}</Heading>
        <Body>
          The balls are cut: put in now, it would be in one and not in the next. Say so at the pass, and taste
          before you serve.
        </Body>
      </>
    );
  }
  return (
    <>
      <Heading>{say('No {name} in: put it in now', { name: { lower: name } })}</Heading>
      <Way cure={cure} />
      <View>
        <Leader
          name={say('{name}, of the flour', { name: cure.line.name })}
          value={`${formatPercent(cure.fraction.before, 1)} → ${formatPercent(cure.fraction.after, 1)}`}
        />
        <Leader
          name="Hydration"
          value={`${formatPercent(cure.hydration.before, 1)} → ${formatPercent(cure.hydration.after, 1)}`}
        />
      </View>
      <PrimaryAction
        label="It is in"
        onPress={() => {
          live.act(...cure.acts);
          onClose();
        }}
      />
      <Label>Knead until it is even, then go on.</Label>
    </>
  );
}

function Way({ cure: { line, massG, waterG, waterIsHeld, way } }: { cure: ForgottenCure }) {
  const format = useFormat();
  const mass = format.mass(massG, line.stepG);
  const water = format.mass(waterG);
  const name = { lower: line.name };
  if (way === 'sprinkled')
    return (
      <Body>{say('Sprinkle {mass} {name} over the flat dough, fold and knead it in.', { mass, name })}</Body>
    );
  if (way === 'worked in') return <Body>{say('Work {mass} {name} in while kneading.', { mass, name })}</Body>;
  return (
    <Body>
      {waterIsHeld
        ? say('Stir {mass} {name} into {water} of the water that is held back, then knead it in.', {
            mass,
            name,
            water,
          })
        : say(
            'Stir {mass} {name} into {water} of water, then knead it in: the dough gets that much wetter.',
            {
              mass,
              name,
              water,
            },
          )}
    </Body>
  );
}
