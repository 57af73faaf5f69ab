import { say } from '../reader/say';
import { ballsAtHand, workableAtMs } from '@kettle-scale/core/batch';
import { useState } from 'react';
import type { LiveBatch } from '../batch/useBatch';
import { Action, PrimaryAction } from '../ui/input/actions';
import { CountField, countIn } from '../ui/input/CountField';
import { Sheet } from '../ui/layout/Sheet';
import { Ticket } from '../ui/layout/Ticket';
import { Heading, Label, Strong } from '../ui/type';
import { useFormat } from '../ui/useFormat';
import { useNow } from '../ui/useNow';
import { useColdWords } from './useColdWords';
import { useDays } from './useDays';

const MINUTE_MS = 60_000;

interface Ask {
  title: string;
  label: string;
  most: number;
  onCount: (pieces: number) => void;
}

/** How many: all of them, until somebody says otherwise. */
function CountSheet({ ask, onClose }: { ask: Ask; onClose: () => void }) {
  const [text, setText] = useState(String(ask.most));
  const pieces = countIn(text, ask.most);
  return (
    <Sheet open onClose={onClose} label={ask.title}>
      <Heading>{ask.title}</Heading>
      <CountField name="cold-count" label="Balls" most={ask.most} text={text} onText={setText} />
      <PrimaryAction
        label={ask.label}
        disabled={pieces === null}
        onPress={() => {
          if (pieces !== null) ask.onCount(pieces);
          onClose();
        }}
      />
    </Sheet>
  );
}

interface ColdBallsProps {
  live: LiveBatch;
  /** Only where something is past its time, or only where nothing is; always when not given. */
  over?: boolean;
}

/** Part now, part later: balls and dough of the batch that wait in the fridge, taken out as they are needed. */
export function ColdBalls({ live, over }: ColdBallsProps) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const nowMs = useNow(MINUTE_MS);
  const days = useDays();
  const [ask, setAsk] = useState<Ask | null>(null);
  const { balls, dough } = useColdWords(live, nowMs);
  const isOver = Boolean(balls?.over) || Boolean(dough?.over);
  const atHand = ballsAtHand(plan, state);
  const ballG = state.divided?.ballG ?? plan.ballG;
  const fromDough = dough ? Math.floor(dough.massG / ballG) : 0;
  const when = (ms: number) => days.when(ms, nowMs);
  const workableMs = workableAtMs(plan, state);
  if (over !== undefined && over !== isOver) return null;
  return (
    <>
      {balls || dough ? (
        <Ticket>
          {balls ? (
            <>
              <Strong tone={balls.over ? 'plum' : 'ink'}>{balls.text}</Strong>
              <Action
                label="Take balls out"
                onPress={() =>
                  setAsk({
                    ...{ title: 'How many come out?', label: 'Remove them', most: balls.pieces },
                    onCount: (pieces) => act({ type: 'taken-out', pieces }),
                  })
                }
              />
            </>
          ) : null}
          {dough ? <Strong tone={dough.over ? 'plum' : 'ink'}>{dough.text}</Strong> : null}
          {fromDough > 0 ? (
            <Action
              label="Make balls of it"
              onPress={() =>
                setAsk({
                  ...{
                    title: say('Balls of {mass}', { mass: format.mass(ballG) }),
                    label: 'They are made',
                    most: fromDough,
                  },
                  onCount: (pieces) => act({ type: 'drawn', pieces, massG: pieces * ballG }),
                })
              }
            />
          ) : null}
          <Label>Airtight. Follow your local food code; the person in charge decides.</Label>
        </Ticket>
      ) : null}
      {workableMs !== null && workableMs > nowMs ? (
        <Label>
          {Number.isFinite(workableMs)
            ? say('The balls that came out are warm enough to roll about {when}.', { when: when(workableMs) })
            : 'This room is too cold to warm the balls: they roll stiff.'}
        </Label>
      ) : null}
      {atHand > 0 ? (
        <Action
          label="Keep balls for later, cold"
          onPress={() =>
            setAsk({
              ...{ title: 'How many into the fridge?', label: 'They are in the fridge', most: atHand },
              onCount: (pieces) => act({ type: 'chilled', pieces }),
            })
          }
        />
      ) : null}
      {ask ? <CountSheet ask={ask} onClose={() => setAsk(null)} /> : null}
    </>
  );
}
