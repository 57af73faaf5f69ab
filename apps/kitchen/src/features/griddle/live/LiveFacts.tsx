import { say, sayAll } from '../../../reader/say';
import {
  type LivePiece,
  collision,
  collisionWords,
  knobAdvice,
  placesForHands,
  rangesOf,
} from '@kettle-scale/core/bake';
import type { Explanation } from '@kettle-scale/core/message';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Ask, AskWord, WhySheet } from '../../../ui/layout/Why';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { LOOK_MS, useSampled } from '../../../ui/useSampled';
import { cueNow } from './handsWords';
import type { LiveGriddle } from './useLiveGriddle';
import type { Words } from '@kettle-scale/core/message';

const styles = StyleSheet.create({
  facts: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-end' },
  told: { flex: 1 },
});

interface LiveFactsProps {
  griddle: LiveGriddle;
  /** The piece that the hands go to first. */
  first: LivePiece | undefined;
  sides: number;
  /** What follows from the cook's word of the last piece. */
  answer: readonly Words[];
  /** The plate counts by itself, and names one act after the other. */
  counted: boolean;
}

/** Seconds of the next piece's sides, each with its why, and what is told now. */
export function LiveFacts({ griddle, first, sides, answer, counted }: LiveFactsProps) {
  const [why, setWhy] = useState<Explanation | null>(null);
  const ranges = griddle.range ? rangesOf({ good: true, ...griddle.range }) : [];
  return (
    <View style={styles.facts}>
      {griddle.nextSeconds.map((s, side) => (
        <Ask key={side} onPress={() => setWhy(griddle.explain(side))}>
          <Label>{side < sides ? say('Side {side, number}', { side: side + 1 }) : 'Flame'}</Label>
          <Figure value={String(Math.round(s))} unit="s" size={44} />
          <AskWord>{ranges[side] ? `${ranges[side]} s` : say('Why?')}</AskWord>
        </Ask>
      ))}
      <Told griddle={griddle} first={first} sides={sides} answer={answer} counted={counted} />
      <WhySheet why={why} onClose={() => setWhy(null)} />
    </View>
  );
}

/** Before an act is so near, what is seen of it tells nothing yet, ms. */
const CUE_FROM_MS = 8000;

/** Why places stay empty though there are balls: one pair of hands does no more. Null where it would do more. */
function handsWords({ left, nextPlace, pieces, placeCount, actSeconds }: LiveGriddle): string | null {
  const hands = placesForHands(actSeconds);
  if (left === 0 || nextPlace === null || pieces.length < hands || hands >= placeCount) return null;
  return say('One pair of hands: {hands, number} of {places, number}.', { hands, places: placeCount });
}

/** One thing at a time: two acts at once, what a piece at its time should show, the answer to a word, what is seen meanwhile. */
function Told({ griddle, first, sides, answer, counted }: LiveFactsProps) {
  const full = handsWords(griddle);
  const { atOnce, due, cue } = useSampled((nowMs) => {
    const two = counted ? null : collision([...griddle.pieces, ...griddle.others], nowMs);
    const far = first !== undefined && first.dueMs - nowMs > CUE_FROM_MS;
    return {
      atOnce: two ? say(collisionWords(two)) : '',
      due: first !== undefined && first.dueMs <= nowMs,
      cue: far && full ? full : cueNow(first, sides, nowMs),
    };
  }, LOOK_MS);
  const answers = !atOnce && !due && answer.length > 0;
  return (
    <View style={styles.told}>
      {atOnce ? <Strong tone="ember">{atOnce}</Strong> : null}
      <View role="status">{answers ? <Body>{sayAll(answer, ' ')}</Body> : null}</View>
      {atOnce || answers ? null : <Body>{cue}</Body>}
    </View>
  );
}

/** What stands against going on as planned: a plate that is not ready, times that could not be worked out. */
export function LiveWords({ griddle, wait }: { griddle: LiveGriddle; wait: Words | null }) {
  const wantedC = griddle.wantedC + griddle.trim.heatC;
  const knob = griddle.griddle ? knobAdvice(griddle.griddle.marks, wantedC) : null;
  return (
    <>
      {wait ? (
        <View role="alert">
          <Heading tone="plum">{wait}</Heading>
          {knob ? <Label>{say('Knob: {knob}', { knob })}</Label> : null}
        </View>
      ) : null}
      {griddle.heatChange !== null ? (
        <Heading tone="ember">
          {say('Set the plate to {temp} now.', { temp: { tempC: griddle.heatChange } })}
        </Heading>
      ) : null}
      {griddle.failed ? (
        <Strong tone="plum">
          The times could not be worked out on this device: these are the formula’s own seconds.
        </Strong>
      ) : null}
    </>
  );
}
