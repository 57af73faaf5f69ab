import { formatPercent } from '../../../reader/figures';
import { say } from '../../../reader/say';
import type { Plan, SheetLine, Step } from '@kettle-scale/core/plan';
import { type Kept, canTakeOut, checkWeight, ifKept, offerRescale } from '@kettle-scale/core/batch';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action } from '../../../ui/input/actions';
import { Leader, Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';

interface OffTargetProps {
  live: LiveBatch;
  step: Step;
  massG: number;
  /** Weigh again: scooped out, or more added. */
  onAgain: () => void;
  /** What was keyed is forgotten: nothing of it is an act yet. */
  onClear: () => void;
  /** Key it once more, where it was keyed. */
  onKey: (() => void) | null;
  onDone: () => void;
}

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });

interface LetFollowProps {
  plan: Plan;
  offer: ReturnType<typeof offerRescale>;
}

/** What the batch comes to when it follows an over-pour. */
function LetFollow({ plan, offer }: LetFollowProps) {
  const format = useFormat();
  return (
    <Ticket>
      <Heading>If the rest follows</Heading>
      {offer.fits ? (
        <View>
          <Leader name="Dough" value={format.mass(offer.doughG, plan.kitchen.benchStepG)} />
          <Leader name="Pieces" value={`${plan.pieces} → ${offer.pieces}`} />
          {offer.topUps.map(({ name, addG, stepG }) => (
            <Leader key={name} name={say('{name}, add', { name })} value={`+${format.mass(addG, stepG)}`} />
          ))}
        </View>
      ) : offer.bowlG <= plan.kitchen.bowlCapacityG ? (
        <Body>No batch follows a weight this far off.</Body>
      ) : (
        <Body>
          {say('The bowl would hold {mass}, more than its {mass2}.', {
            mass: format.mass(offer.bowlG),
            mass2: format.mass(plan.kitchen.bowlCapacityG),
          })}
        </Body>
      )}
    </Ticket>
  );
}

/** "Make 87 instead: 240 g more plain flour": the cure in pieces, with what it takes; where no piece comes of it, what follows. */
function makeWords(
  plan: Plan,
  { pieces, topUps }: ReturnType<typeof offerRescale>,
  format: ReturnType<typeof useFormat>,
): string {
  const list = topUps.map(({ name, addG, stepG }) =>
    say('{mass} more {name}', { mass: format.mass(addG, stepG), name: { lower: name } }),
  );
  const more = { list };
  if (pieces === plan.pieces)
    return list.length > 0 ? say('Let the rest follow: {more}', { more }) : say('Let the rest follow');
  return list.length > 0
    ? say('Make {pieces, number} instead: {more}', { pieces, more })
    : say('Make {pieces, number} instead', { pieces });
}

/** What keeping it makes of the line; of an only flour, which is always 100 %, what it makes of the dough's water. */
function keptWords(line: SheetLine, kept: Kept, asked: Kept): { act: string; instead: string } {
  const at = (share: number) => formatPercent(share, 1);
  return at(kept.fraction) === at(line.fraction)
    ? {
        act: say('Keep it: hydration {kept}', { kept: at(kept.hydration) }),
        instead: say('instead of {asked}', { asked: at(asked.hydration) }),
      }
    : {
        act: say('Keep it at {kept}', { kept: at(kept.fraction) }),
        instead: say('instead of {fraction} of flour', { fraction: { share: line.fraction, decimals: 1 } }),
      };
}

/** A weight off its target: take out or add, keep it knowingly, or let the batch follow an over-pour. */
export function OffTarget({ live, step, massG, onAgain, onClear, onKey, onDone }: OffTargetProps) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const width = useStepWidth();
  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  if (!line) return null;
  const { verdict, offG, targetG } = checkWeight(plan, state, step, massG);
  const over = verdict === 'over';
  const offer = offerRescale(plan, state, step, massG);
  const kept = keptWords(line, ifKept(plan, state, step, massG), ifKept(plan, state, step, targetG));
  const off = format.mass(Math.abs(offG), line.stepG);
  const takesOut = over && canTakeOut(plan, state, step);
  const keep = () => {
    act({ type: 'weighed', stepId: step.id, massG });
    onDone();
  };
  const follow = () => {
    act(
      { type: 'weighed', stepId: step.id, massG },
      { type: 'rescaled', stepId: step.id, factor: offer.factor },
    );
    onDone();
  };
  const shown = format.massFigure(Math.abs(offG), line.stepG);
  const again = {
    label: over ? say('Take out {off}', { off }) : say('Add {off} more', { off }),
    onPress: onAgain,
  };
  const make = { label: makeWords(plan, offer, format), onPress: follow };
  const keyAgain = onKey ? { label: 'Key it again', onPress: onKey } : null;
  const keepIt = { label: kept.act, onPress: keep };
  // What is stirred in cannot be taken out; what a batch cannot follow was keyed wrong.
  const cures = [
    ...(!over || takesOut ? [again] : []),
    ...(over && offer.fits ? [make] : []),
    ...(over && !offer.fits && keyAgain ? [keyAgain] : []),
    keepIt,
  ];
  const [primary = keepIt, ...rest] = cures;
  return (
    <StepFrame
      live={live}
      step={step}
      title={
        over
          ? say('Too much {name}', { name: { lower: line.name } })
          : say('Not enough {name}', { name: { lower: line.name } })
      }
      primary={primary}
      undo={onClear}
      others={keyAgain ? [{ key: 'again', ...keyAgain }] : []}
      more={
        <>
          <Body tone="soot">
            {over
              ? say('{mass} on the scale; the line comes to {mass2} in all', {
                  mass: format.mass(massG, line.stepG),
                  mass2: format.mass(massG - offG, line.stepG),
                })
              : say('{mass} on the scale, {mass2} asked for', {
                  mass: format.mass(massG, line.stepG),
                  mass2: format.mass(targetG, line.stepG),
                })}
          </Body>
          {over ? <LetFollow {...{ plan, offer }} /> : null}
        </>
      }
    >
      <BigFigure value={`${over ? '+' : '−'}${shown.value}`} unit={shown.unit} tone="plum" width={width} />
      <View style={styles.stack}>
        {rest
          .filter((one) => one !== keyAgain)
          .map((one) => (
            <Action key={one.label} {...one} />
          ))}
        <Label>{kept.instead}</Label>
      </View>
    </StepFrame>
  );
}
