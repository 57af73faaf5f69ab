import { say } from '../../../reader/say';
import type { BatchState, EventBody } from '@kettle-scale/core/batch';
import { type PieceSeen, type Trim, seenPieces } from '@kettle-scale/core/bake';
import { Choices } from '../../../ui/input/Choices';
import { Label } from '../../../ui/type';

type Judged = Extract<EventBody, { type: 'judged' }>;

const PERCENT = 100;

const COLOUR_OPTIONS = [
  ['right', 'Right'],
  ['pale', 'Pale'],
  ['dark', 'Dark'],
] as const;

interface JudgeProps {
  state: BatchState;
  onJudge: (judged: Judged) => void;
}

/** The last piece that came off with what was said of it, and how a word about it is recorded; null before the first. */
function lastPiece({ state, onJudge }: JudgeProps) {
  // Nobody asks what colour waste was.
  const last = state.baked.findLast(({ waste }) => waste === null);
  if (!last || state.baked.at(-1) !== last) return null;
  const { piece } = last;
  return {
    piece,
    twoSides: last.sidesS.length > 1,
    seen: seenPieces(state.judged.filter((judged) => judged.piece === piece))[0] ?? {},
    judge: (part: PieceSeen) => onJudge({ type: 'judged', piece, ...part } as Judged),
  };
}

/** The last piece that came off, one tap for the whole of it; the next pieces' times follow. */
export function JudgeRow(props: JudgeProps) {
  const last = lastPiece(props);
  if (!last) return null;
  const { piece, twoSides, seen, judge } = last;
  const alike = !twoSides || seen.firstSide === seen.secondSide;
  return (
    <Choices
      label={say('Piece {piece, number}', { piece })}
      value={alike ? (seen.firstSide ?? null) : null}
      options={COLOUR_OPTIONS}
      onChange={(colour) => judge({ firstSide: colour, ...(twoSides ? { secondSide: colour } : {}) })}
    />
  );
}

/** "side 1 5 % longer", or nothing where it is as before. */
function longer(side: string, factor: number): string[] {
  const percent = Math.round(PERCENT * (factor - 1));
  if (percent === 0) return [];
  const by = Math.abs(percent);
  return [say(percent > 0 ? '{side} {by, number} % longer' : '{side} {by, number} % shorter', { side, by })];
}

/** Each side of the last piece, its bite and puff; and what all words so far make of the next one. */
export function JudgeDetails({ trim, ...props }: JudgeProps & { trim: Trim }) {
  const last = lastPiece(props);
  if (!last) return null;
  const { twoSides, seen, judge } = last;
  const heat = Math.round(trim.heatC);
  const trimmed = [
    ...longer('side 1', trim.first.factor),
    ...(twoSides ? longer('side 2', trim.later.factor) : []),
    ...(heat === 0
      ? []
      : [say('plate {heat} {heat2}', { heat: { kelvin: heat }, heat2: heat > 0 ? 'hotter' : 'cooler' })]),
  ];
  return (
    <>
      <Choices
        label="Side 1"
        value={seen.firstSide ?? null}
        options={COLOUR_OPTIONS}
        onChange={(firstSide) => judge({ firstSide })}
      />
      {twoSides ? (
        <Choices
          label="Side 2"
          value={seen.secondSide ?? null}
          options={COLOUR_OPTIONS}
          onChange={(secondSide) => judge({ secondSide })}
        />
      ) : null}
      <Choices
        label="Bite"
        value={seen.bite ?? null}
        options={[
          ['soft', 'Soft inside'],
          ['right', 'Right'],
          ['stiff', 'Stiff'],
        ]}
        onChange={(bite) => judge({ bite })}
      />
      <Choices
        label="Puff"
        value={seen.puffed === undefined ? null : seen.puffed ? 'yes' : 'no'}
        options={[
          ['yes', 'Puffed'],
          ['no', 'Stayed flat'],
        ]}
        onChange={(puffed) => judge({ puffed: puffed === 'yes' })}
      />
      {trimmed.length > 0 ? (
        <Label>{say('Next piece: {trimmed}.', { trimmed: { list: trimmed } })}</Label>
      ) : null}
    </>
  );
}
