import { say } from '../../reader/say';
import type { Explanation } from '@kettle-scale/core/message';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Heard } from '../Heard';
import { Press } from '../input/Press';
import { Sheet } from './Sheet';
import { Leader } from './Ticket';
import { FONT, TOUCH } from '../tokens';
import { Body, Figure, Heading, Label, Strong } from '../type';

const styles = StyleSheet.create({
  ask: { minHeight: TOUCH.other, justifyContent: 'center' },
  link: { textDecorationLine: 'underline', fontFamily: FONT.strong },
});

/** Makes a figure something that can be asked "why this number"; a screen reader hears the figure, then "why?". */
export function Ask({ onPress, children }: { onPress: () => void; children: ReactNode }) {
  return (
    <Press role="button" onPress={onPress} style={styles.ask}>
      {children}
      <Heard>why?</Heard>
    </Press>
  );
}

export const AskWord = ({ children }: { children: string }) => <Label style={styles.link}>{children}</Label>;

/** The short sheet that answers "why this number": inputs, equation in words, what would change it. */
export function WhySheet({ why, onClose }: { why: Explanation | null; onClose: () => void }) {
  return (
    <Sheet open={why !== null} onClose={onClose} label={say('Why: {title}', { title: why?.title ?? '' })}>
      {why ? (
        <>
          <View>
            <Label>Why this number</Label>
            <Heading>{why.title}</Heading>
            <Figure value={why.value} size={48} />
          </View>
          <Strong>{say('{equation}.', { equation: why.equation })}</Strong>
          <View>
            {why.inputs.map(({ label, value }) => (
              <Leader key={say(label)} name={label} value={value} />
            ))}
          </View>
          <View>
            {why.changes.map((change) => (
              <Body key={say(change)} tone="soot">
                {change}
              </Body>
            ))}
          </View>
        </>
      ) : null}
    </Sheet>
  );
}
