import { say } from '../../../reader/say';
import type { BatchState, EventBody } from '@kettle-scale/core/batch';
import { type PieceSeen, type Trim, seenPieces, trimBy, trimOf } from '@kettle-scale/core/bake';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Choices } from '../../../ui/input/Choices';
import { SPACE } from '../../../ui/tokens';
import { Body, Label } from '../../../ui/type';

type Judged = Extract<EventBody, { type: 'judged' }>;

const PERCENT = 100;

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });

const COLOUR_OPTIONS = [
  ['right', 'Right'],
  ['pale', 'Pale'],
  ['dark', 'Dark'],
] as const;

/** "side 1 5 % longer", or nothing where it is as before. */
function longer(side: string, factor: number): string[] {
  const percent = Math.round(PERCENT * (factor - 1));
  if (percent === 0) return [];
  const by = Math.abs(percent);
  return [say(percent > 0 ? '{side} {by, number} % longer' : '{side} {by, number} % shorter', { side, by })];
}

interface JudgeRowProps {
  state: BatchState;
  trim: Trim;
  onJudge: (judged: Judged) => void;
}

/** The last piece that came off, one tap for the whole of it, or each side, bite and puff; the next piece's times follow. */
export function JudgeRow({ state, trim, onJudge }: JudgeRowProps) {
  const [openFor, setOpenFor] = useState<number | null>(null);
  const last = state.baked.at(-1);
  if (!last) return null;
  const seen = seenPieces(state.judged.filter(({ piece }) => piece === last.piece))[0] ?? {};
  const all = seenPieces(state.judged);
  const lastSeen = all.at(-1);
  const words = lastSeen ? trimBy(trimOf(all.slice(0, -1)), lastSeen).words : [];
  const judge = (part: PieceSeen) => onJudge({ type: 'judged', piece: last.piece, ...part } as Judged);
  const open = openFor === last.piece;
  const alike = last.sidesS.length < 2 || seen.firstSide === seen.secondSide;
  const whole = alike ? (seen.firstSide ?? null) : null;
  const heat = Math.round(trim.heatC);
  const trimmed = [
    ...longer('side 1', trim.first.factor),
    ...(last.sidesS.length > 1 ? longer('side 2', trim.later.factor) : []),
    ...(heat === 0
      ? []
      : [say('plate {heat} {heat2}', { heat: { kelvin: heat }, heat2: heat > 0 ? 'hotter' : 'cooler' })]),
  ];
  return (
    <View style={styles.stack}>
      <Choices
        label={say('Piece {piece, number}', { piece: last.piece })}
        value={open ? 'more' : whole}
        options={[...COLOUR_OPTIONS, ['more', 'More']]}
        onChange={(choice) => {
          setOpenFor(choice === 'more' && !open ? last.piece : null);
          if (choice !== 'more')
            judge({ firstSide: choice, ...(last.sidesS.length > 1 ? { secondSide: choice } : {}) });
        }}
      />
      {open ? (
        <>
          <Choices
            label="Side 1"
            value={seen.firstSide ?? null}
            options={COLOUR_OPTIONS}
            onChange={(firstSide) => judge({ firstSide })}
          />
          {last.sidesS.length > 1 ? (
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
        </>
      ) : null}
      <View role="status">
        {words.map((line) => (
          <Body key={say(line)}>{line}</Body>
        ))}
        {trimmed.length > 0 ? (
          <Label>{say('Next piece: {trimmed}.', { trimmed: { list: trimmed } })}</Label>
        ) : null}
      </View>
    </View>
  );
}
