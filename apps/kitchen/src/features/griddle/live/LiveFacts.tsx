import { say } from '../../../reader/say';
import { type LivePiece, collision, collisionWords, knobAdvice, rangesOf } from '@kettle-scale/core/bake';
import type { Explanation } from '@kettle-scale/core/message';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Ask, AskWord, WhySheet } from '../../../ui/layout/Why';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { useSampled } from '../../../ui/useSampled';
import { LOOK_MS } from './BusyPlace';
import { cueNow } from './handsWords';
import type { LiveGriddle } from './useLiveGriddle';
import type { Words } from '@kettle-scale/core/message';

const styles = StyleSheet.create({
  facts: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-end' },
  cue: { flex: 1 },
});

interface LiveFactsProps {
  griddle: LiveGriddle;
  /** The piece that the hands go to first. */
  first: LivePiece | undefined;
  sides: number;
}

/** Seconds of the next piece's sides, each with its why, and what should be seen now. */
export function LiveFacts({ griddle, first, sides }: LiveFactsProps) {
  const [why, setWhy] = useState<Explanation | null>(null);
  const ranges = griddle.range ? rangesOf({ good: true, ...griddle.range }) : [];
  return (
    <View style={styles.facts}>
      {griddle.nextSeconds.map((s, side) => (
        <Ask key={side} onPress={() => setWhy(griddle.explain(side))}>
          <Label>{side < sides ? say('Side {side, number}', { side: side + 1 }) : 'Fire'}</Label>
          <Figure value={String(Math.round(s))} unit="s" size={44} />
          <AskWord>{ranges[side] ? `${ranges[side]} s` : say('Why?')}</AskWord>
        </Ask>
      ))}
      <Body style={styles.cue}>
        <Cue first={first} sides={sides} />
      </Body>
      <WhySheet why={why} onClose={() => setWhy(null)} />
    </View>
  );
}

function Cue({ first, sides }: { first: LivePiece | undefined; sides: number }) {
  return <>{say(useSampled((nowMs) => cueNow(first, sides, nowMs), LOOK_MS))}</>;
}

/** What stands against going on as planned: a plate that is not ready, two acts at once. */
export function LiveWords({ griddle, wait }: { griddle: LiveGriddle; wait: Words | null }) {
  const format = useFormat();
  const wantedC = griddle.wantedC + griddle.trim.heatC;
  const knob = griddle.griddle ? knobAdvice(griddle.griddle.marks, wantedC) : null;
  const atOnce = useSampled((nowMs) => {
    const two = collision([...griddle.pieces, ...griddle.others], nowMs);
    return two ? say(collisionWords(two)) : null;
  }, LOOK_MS);
  return (
    <>
      {wait ? (
        <View role="alert">
          <Heading tone="plum">{wait}</Heading>
          {knob ? (
            <Label>{say('Knob for {temp}: {knob}.', { temp: format.temp(wantedC), knob })}</Label>
          ) : null}
        </View>
      ) : null}
      {griddle.failed ? (
        <Strong tone="plum">
          The times could not be worked out on this device: these are the formula’s own seconds.
        </Strong>
      ) : null}
      {atOnce ? <Strong tone="ember">{atOnce}</Strong> : null}
    </>
  );
}
