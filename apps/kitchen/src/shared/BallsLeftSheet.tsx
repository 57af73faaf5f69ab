import { say } from '../reader/say';
import { type BallsGone, ballsAtHand } from '@kettle-scale/core/batch';
import { useState } from 'react';
import type { LiveBatch } from '../batch/useBatch';
import { Action } from '../ui/input/actions';
import { CountField, countIn } from '../ui/input/CountField';
import { Sheet } from '../ui/layout/Sheet';
import { Heading } from '../ui/type';

const GONE: readonly (readonly [how: BallsGone, label: string])[] = [
  ['baked by others', 'Baked by others'],
  ['dropped', 'Dropped'],
  ['thrown out', 'Thrown out'],
];

interface BallsLeftSheetProps {
  live: LiveBatch;
  open: boolean;
  onClose: () => void;
  /** All balls are accounted for. */
  onNone: () => void;
}

/** Before a batch has no more pieces: what became of the balls that were never on the plate. A part at a time, until none is left. */
export function BallsLeftSheet({ live, open, onClose, onNone }: BallsLeftSheetProps) {
  const left = ballsAtHand(live.batch.plan, live.state);
  return (
    <Sheet open={open && left > 0} onClose={onClose} label="Balls left">
      {/* Each answer begins the count anew. */}
      <Question key={left} live={live} left={left} onClose={onClose} onNone={onNone} />
    </Sheet>
  );
}

interface QuestionProps extends Omit<BallsLeftSheetProps, 'open'> {
  left: number;
}

function Question({ live, left, onClose, onNone }: QuestionProps) {
  const [text, setText] = useState(String(left));
  const pieces = countIn(text, left);
  const answer = (act: (count: number) => void) => () => {
    if (pieces === null) return;
    act(pieces);
    if (pieces === left) onNone();
  };
  return (
    <>
      <Heading>
        {say('{left, plural, one {# ball is} other {# balls are}} left: what became of them?', { left })}
      </Heading>
      <CountField name="balls-left" label="Balls" most={left} text={text} onText={setText} />
      <Action
        label="Back to the fridge"
        disabled={pieces === null}
        onPress={answer((count) => live.act({ type: 'chilled', pieces: count }))}
      />
      {GONE.map(([how, label]) => (
        <Action
          key={how}
          label={label}
          disabled={pieces === null}
          onPress={answer((count) => live.act({ type: 'balls-gone', pieces: count, how }))}
        />
      ))}
      <Action label="Still here: go on baking" onPress={onClose} />
    </>
  );
}
