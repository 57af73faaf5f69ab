import { BY_EYE, ballByEyeG } from '@kettle-scale/core/portion';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { say } from '../reader/say';
import { Action } from '../ui/input/actions';
import { Press } from '../ui/input/Press';
import { Sheet } from '../ui/layout/Sheet';
import { useColours } from '../ui/theme';
import { CORNER, SPACE } from '../ui/tokens';
import { Body, Heading, Label, Strong } from '../ui/type';
import { useFormat } from '../ui/useFormat';

const PX_PER_MM = 1.1;
const WIDEST_MM = 68;
const PICTURE_PX = Math.ceil(WIDEST_MM * PX_PER_MM) + 4;

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  one: {
    flexGrow: 1,
    flexBasis: 100,
    alignItems: 'center',
    borderWidth: 2,
    borderRadius: CORNER,
    padding: SPACE.s,
  },
  name: { textAlign: 'center' },
  picture: { height: PICTURE_PX, justifyContent: 'flex-end' },
});

interface BallByEyeProps {
  /** Dough with its air, g/ml. */
  densityGMl: number;
  onPick: (ballG: number) => void;
}

/** Balls as large as things that a hand knows, drawn to one scale, with their grams in this dough. */
export function BallByEye({ densityGMl, onPick }: BallByEyeProps) {
  const [open, setOpen] = useState(false);
  const colours = useColours();
  const format = useFormat();
  return (
    <>
      <Action label="By eye" onPress={() => setOpen(true)} />
      <Sheet open={open} onClose={() => setOpen(false)} label="Ball by eye">
        <Heading>As large as</Heading>
        <View style={styles.grid}>
          {BY_EYE.map(([name, acrossMm]) => {
            const ballG = ballByEyeG(acrossMm, densityGMl);
            const mass = format.mass(ballG);
            return (
              <Press
                key={name}
                role="button"
                aria-label={say('{name}, about {mass}', { name, mass })}
                onPress={() => {
                  onPick(Math.round(ballG));
                  setOpen(false);
                }}
                style={[styles.one, { borderColor: colours.ink }]}
              >
                <View style={styles.picture}>
                  <Svg width={acrossMm * PX_PER_MM + 2} height={acrossMm * PX_PER_MM + 2} aria-hidden>
                    <Circle
                      cx={(acrossMm * PX_PER_MM) / 2 + 1}
                      cy={(acrossMm * PX_PER_MM) / 2 + 1}
                      r={(acrossMm * PX_PER_MM) / 2}
                      fill={colours.dough}
                      stroke={colours.ink}
                      strokeWidth={1.5}
                    />
                  </Svg>
                </View>
                <Strong style={styles.name}>{say(name)}</Strong>
                <Label>{say('about {mass}', { mass })}</Label>
              </Press>
            );
          })}
        </View>
        <Body tone="soot">A hand misses by a tenth and more: weigh the first few.</Body>
      </Sheet>
    </>
  );
}
