import { say } from '../../../reader/say';
import { type BatchState, HELPS, type Help } from '@kettle-scale/core/batch';
import type { LivePiece } from '@kettle-scale/core/bake';
import { useState } from 'react';
import { Action } from '../../../ui/input/actions';
import { Sheet } from '../../../ui/layout/Sheet';
import { Body, Heading } from '../../../ui/type';
import { PlaceChoice } from './PlaceChoice';
import type { LiveGriddle } from './useLiveGriddle';

const DO: Record<Help, string> = {
  'bubble popped': 'Bubble popped',
  'bottom freed': 'Stuck bottom freed',
  'rim pressed': 'Rim pressed on the iron',
};

/** One more turn, back on for a little, a bubble, a stuck bottom, a rim, a trial: what a piece may need beyond its program. */
export function MoreForPiece({ griddle, state }: { griddle: LiveGriddle; state: BatchState }) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<number | null>(null);
  const { pieces, act, nextPlace } = griddle;
  const piece = pieces.find((one) => one.piece === chosen) ?? pieces[0];
  const last = state.baked.filter(({ waste }) => waste === null).at(-1);
  const close = () => setOpen(false);
  const doing = (what: () => void) => () => {
    what();
    close();
  };
  return (
    <>
      <Action label="More for a piece" disabled={!piece && !last} onPress={() => setOpen(true)} />
      <Sheet open={open} onClose={close} label="More for a piece">
        {piece ? (
          <OnPlateActs
            pieces={pieces}
            piece={piece}
            act={act}
            state={state}
            doing={doing}
            onPiece={setChosen}
          />
        ) : null}
        {last ? (
          <Action
            label={say('Piece {piece, number} back on for a little', { piece: last.piece })}
            disabled={nextPlace === null}
            onPress={doing(() => nextPlace !== null && act.backOn(last.piece, nextPlace))}
          />
        ) : null}
      </Sheet>
    </>
  );
}

interface OnPlateProps {
  pieces: readonly LivePiece[];
  piece: LivePiece;
  act: LiveGriddle['act'];
  state: BatchState;
  /** Does it, and closes the sheet. */
  doing: (what: () => void) => () => void;
  onPiece: (piece: number | null) => void;
}

function OnPlateActs({ pieces, piece, act, state, doing, onPiece }: OnPlateProps) {
  const isTrial = state.trials.includes(piece.piece);
  return (
    <>
      <Heading>Which piece, and what?</Heading>
      <PlaceChoice pieces={pieces} piece={piece} onPiece={(found) => onPiece(found?.piece ?? null)} />
      <Action
        label="One more turn"
        disabled={piece.next !== 'off'}
        onPress={doing(() => act.oneMoreTurn(piece))}
      />
      {HELPS.map((how) => (
        <Action key={how} label={DO[how]} onPress={doing(() => act.helped(piece.piece, how))} />
      ))}
      {isTrial ? (
        <Body>A trial: it counts as neither good nor reject.</Body>
      ) : (
        <Action label="It is a trial piece" onPress={doing(() => act.trial(piece.piece))} />
      )}
    </>
  );
}
