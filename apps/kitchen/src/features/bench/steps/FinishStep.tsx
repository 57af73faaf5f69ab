import { say } from '../../../reader/say';
import { type EventBody, type Reject, ballsMade, piecesMade } from '@kettle-scale/core/batch';
import { goodWords } from '@kettle-scale/core/formula';
import type { Holding } from '@kettle-scale/core/kitchen';
import { textField } from '@kettle-scale/core/message';
import type { Step } from '@kettle-scale/core/plan';
import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { Controller, type UseFormReturn, useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { z } from 'zod';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action } from '../../../ui/input/actions';
import { StepperField } from '../../../ui/input/StepperField';
import { WordField } from '../../../ui/input/WordField';
import { SPACE } from '../../../ui/tokens';
import { Body } from '../../../ui/type';
import { HoldCaution, HoldChoice, OTHER_HOLDINGS, holdingsInSight } from '../HoldChoice';
import { InspectSheet } from '../InspectSheet';
import { RejectCounts, rejectedPieces } from '../RejectCounts';
import { StepCautions } from '../../../shared/StepCautions';
import { StepFrame } from '../StepFrame';

const MOST_PIECES = 20_000;

const count = (label: string) =>
  z
    .string()
    .regex(/^\d+$/, say('{label} must be a whole number.', { label }))
    .refine((text) => Number(text) <= MOST_PIECES, say('{label} is more than a batch can hold.', { label }));

const finishSchema = z
  .object({
    pieces: count('Pieces made'),
    good: count('Good pieces'),
    note: textField('Note', { max: 500 }),
  })
  .refine(({ pieces, good }) => Number(good) <= Number(pieces), {
    message: 'There are more good pieces than pieces made.',
    path: ['good'],
  });

type Finish = z.infer<typeof finishSchema>;

const styles = StyleSheet.create({ row: { flexDirection: 'row', gap: SPACE.l } });

const step = (text: string, direction: 1 | -1) =>
  String(Math.max(0, (Number.parseInt(text, 10) || 0) + direction));

/** Begins with what the plate counted. */
const useFinish = (made: number, bad: number) =>
  useForm<Finish>({
    resolver: zodResolver(finishSchema),
    mode: 'onChange',
    defaultValues: { pieces: String(made), good: String(Math.max(0, made - bad)), note: '' },
  });

interface CountFieldProps {
  form: UseFormReturn<Finish>;
  name: 'pieces' | 'good';
  label: string;
}

function CountField({ form, name, label }: CountFieldProps) {
  return (
    <Controller
      control={form.control}
      name={name}
      render={({ field }) => (
        <StepperField
          name={name}
          label={label}
          size={64}
          text={field.value}
          onText={field.onChange}
          onStep={(direction) => {
            field.onChange(step(field.value, direction));
            void form.trigger();
          }}
          error={form.formState.errors[name]?.message}
        />
      )}
    />
  );
}

/** What came of it: pieces made, how many good, a note. */
export function FinishStep({ live, step: batchStep }: { live: LiveBatch; step: Step }) {
  const { state, act } = live;
  const { formula } = live.batch.plan;
  const [looking, setLooking] = useState(false);
  const [how, setHow] = useState<Holding | null>(formula.method.holdIn ?? null);
  const shorts = state.leftovers.reduce((sum, { pieces = 0 }) => sum + pieces, 0);
  const made = piecesMade(state) || ballsMade(live.batch.plan, state) - state.trials.length + shorts;
  const bad = rejectedPieces(state);
  const form = useFinish(made, bad);
  const { errors } = form.formState;
  const finish = form.handleSubmit(({ pieces, good, note }) => {
    const held: EventBody[] = how && Number(good) > 0 ? [{ type: 'held', how, pieces: Number(good) }] : [];
    act({ type: 'finished', pieces: Number(pieces), good: Number(good), ...(note ? { note } : {}) }, ...held);
  });
  const reject = (reason: Reject) => {
    act({ type: 'rejected', pieces: 1, reason });
    form.setValue('good', step(form.getValues('good'), -1), { shouldValidate: true });
  };
  return (
    <StepFrame
      live={live}
      step={batchStep}
      primary={{
        label: 'Finish batch',
        twice: 'finish the batch',
        onPress: () => void finish(),
        disabled: Object.keys(errors).length > 0,
      }}
      more={
        <>
          <RejectCounts state={state} onReject={reject} />
          <HoldChoice of={OTHER_HOLDINGS} label="Or in" value={how} onChange={setHow} />
          <Controller
            control={form.control}
            name="note"
            render={({ field }) => (
              <WordField
                name="note"
                label="Note for the log"
                value={field.value}
                onText={field.onChange}
                rows={3}
                error={errors.note?.message}
              />
            )}
          />
          <Body tone="soot">{say(goodWords(formula))}</Body>
        </>
      }
    >
      <View style={styles.row}>
        <CountField form={form} name="pieces" label="Pieces made" />
        <CountField form={form} name="good" label="Good pieces" />
      </View>
      <Action
        label={
          state.inspected.length > 0
            ? say('Judge another piece ({length, number})', { length: state.inspected.length })
            : 'Judge a piece'
        }
        onPress={() => setLooking(true)}
      />
      <HoldChoice of={holdingsInSight(how)} label="Held in" value={how} onChange={setHow} />
      {how ? <HoldCaution how={how} /> : null}
      <StepCautions plan={live.batch.plan} kind="finish" />
      <InspectSheet live={live} open={looking} onClose={() => setLooking(false)} />
    </StepFrame>
  );
}
