import { say } from '../../reader/say';
import type { Explanation } from '@kettle-scale/core/message';
import { type Plan, type Step, stepTitle } from '@kettle-scale/core/plan';
import { type ReactNode, useCallback, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { ActionRow, PrimaryAction } from '../../ui/input/actions';
import { Screen } from '../../ui/layout/Screen';
import { Thread } from '../../ui/layout/Thread';
import { Unfold } from '../../ui/layout/Unfold';
import { SPACE } from '../../ui/tokens';
import { CookMark } from '../../shared/CookChoice';
import { UndoneBar } from '../../shared/UndoneBar';
import { Icon } from '../../ui/Icon';
import { useColours } from '../../ui/theme';
import { Label, Strong } from '../../ui/type';
import { useVoice } from '../../ui/voice';
import { useKeys } from '../../ui/input/useKeys';
import { usePressTwice } from '../../ui/input/usePressTwice';
import { WhySheet } from '../../ui/layout/Why';
import { AlarmBar } from '../../ui/alarm/AlarmBar';
import { type AskFirst, AskFirstSheet } from './AskFirstSheet';
import { BatchExtras } from './BatchExtras';
import { BatchNotices } from './BatchNotices';
import { KeptMark } from './KeptMark';
import { RefusedActs } from './RefusedActs';
import { useSpokenActs } from './useSpokenActs';
import { useStepWidth } from './useStepWidth';

export interface StepAction {
  key: string;
  label: string;
  onPress: () => void;
  disabled?: boolean;
}

interface StepFrameProps {
  live: LiveBatch;
  step: Step;
  /** Instead of the step's own title. */
  title?: string;
  primary: {
    label: string;
    onPress: () => void;
    disabled?: boolean;
    quiet?: boolean;
    /** What a pedal must press twice for: "finish the batch". */
    twice?: string | null;
    /** What is asked first, however it was pressed. */
    askFirst?: AskFirst | null;
  };
  /** What undo takes back here, where that is not yet an act: what was keyed. */
  undo?: () => void;
  /** Besides undo. */
  others?: StepAction[];
  /** Answers "why this number" for the figure of this step. */
  why?: () => Explanation;
  alarm?: { ringing: boolean; quiet: () => void; words: string };
  /** What the step comes to in two seconds: one figure, one instruction, one cue. */
  children: ReactNode;
  /** What it holds for who asks. */
  more?: ReactNode;
}

const styles = StyleSheet.create({
  over: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  body: { flexGrow: 1, gap: SPACE.m },
});

/** Whether the server has every act: a tick, or what is in the way. */
function SavedMark({ queue: { status, notKept } }: Pick<LiveBatch, 'queue'>) {
  const colours = useColours();
  if (status === 'offline') return <KeptMark {...{ notKept }} />;
  if (status === 'opening') return null;
  if (status === 'sending') return <Label tone="soot">saving …</Label>;
  return (
    <View role="img" aria-label={say('saved')}>
      <Icon name="check" size={18} colour={colours.soot} />
    </View>
  );
}

/** Which batch, which of its bowls, and whether all of it is saved. */
function Over({ plan, step, queue }: { plan: Plan; step: Step } & Pick<LiveBatch, 'queue'>) {
  const bowl =
    step.bowl && plan.bowls > 1
      ? say(' · bowl {bowl, number} of {bowls, number}', { bowl: step.bowl, bowls: plan.bowls })
      : '';
  return (
    <View style={styles.over}>
      <Label>{`${plan.formula.name}${bowl}`}</Label>
      <View role="status">
        <SavedMark {...{ queue }} />
      </View>
    </View>
  );
}

const stepAfter = ({ batch, state }: LiveBatch, index: number): Step | undefined =>
  batch.plan.steps
    .slice(index + 1)
    .find(({ id }) => state.steps.some((s) => s.step.id === id && s.status !== 'done'));

const nextWords = (plan: Plan, next: Step | undefined): string =>
  next ? say('Next: {step}', { step: { lower: stepTitle(plan, next) } }) : say('Last step');

/** Frame of every step: where we are, the step itself, undo, and the one action in thumb reach. */
export function StepFrame({
  live,
  step,
  title,
  primary,
  undo: undoHere,
  others = [],
  why,
  alarm,
  children,
  more,
}: StepFrameProps) {
  const { batch, state, queue } = live;
  const [asked, setAsked] = useState(false);
  const closeWhy = useCallback(() => setAsked(false), []);
  const { plan } = batch;
  const width = useStepWidth();
  const index = plan.steps.findIndex(({ id }) => id === step.id);
  const next = stepAfter(live, index);
  const [asking, setAsking] = useState(false);
  const closeAsk = useCallback(() => setAsking(false), []);
  const { twice = null, askFirst = null, ...button } = primary;
  const act = () => {
    if (askFirst) {
      setAsking(true);
      return;
    }
    alarm?.quiet();
    primary.onPress();
  };
  const undo = undoHere ?? (state.lastAct === null ? undefined : live.undo);
  const keyed = usePressTwice(twice, act);
  const heading = title ?? stepTitle(plan, step);
  const voice = useVoice(say('{heading}. {act}', { heading, act: primary.label }));
  const done = primary.disabled ? undefined : keyed.press;
  useKeys({ primary: done, undo });
  const ear = useSpokenActs({ plan, now: state.now, next, done, undo });

  // Who weighs fetches what is next; elsewhere it can wait.
  const follows = <Label>{nextWords(plan, next)}</Label>;

  return (
    <Screen
      fill
      eyebrow={<Over {...{ plan, step, queue }} />}
      title={say(heading)}
      aside={<CookMark />}
      foot={
        <>
          <BatchNotices id={batch.id} />
          <RefusedActs queue={queue} />
          <UndoneBar />
          {alarm?.ringing ? <AlarmBar words={alarm.words} onAct={alarm.quiet} /> : null}
          <ActionRow
            actions={[
              ...others,
              ...(voice.on ? [{ key: 'quiet', label: 'Quiet', onPress: voice.quiet }] : []),
              ...(ear.listens ? [{ key: 'deaf', label: 'Stop listening', onPress: ear.stop }] : []),
              ...(why ? [{ key: 'why', label: 'Why?', onPress: () => setAsked(true) }] : []),
              {
                key: 'undo',
                label: 'Undo',
                icon: 'undo' as const,
                onPress: () => undo?.(),
                disabled: !undo,
              },
            ]}
          />
          <PrimaryAction {...button} onPress={act} />
          <View role="status">{keyed.words ? <Strong tone="plum">{keyed.words}</Strong> : null}</View>
          {step.kind === 'weigh' ? follows : null}
        </>
      }
    >
      <Thread
        {...{ width }}
        count={plan.steps.length}
        now={index}
        label={say('Step {index, number} of {length, number}', {
          index: index + 1,
          length: plan.steps.length,
        })}
      />
      <View style={styles.body}>
        {children}
        <Unfold>
          {step.kind === 'weigh' ? null : follows}
          {more}
          <BatchExtras live={live} />
        </Unfold>
      </View>
      <AskFirstSheet ask={asking ? askFirst : null} onYes={primary.onPress} onClose={closeAsk} />
      <WhySheet why={asked ? (why?.() ?? null) : null} onClose={closeWhy} />
    </Screen>
  );
}
