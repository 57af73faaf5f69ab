import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Divider } from 'react-native-paper';
import { Icon } from '../Icon';
import { Press } from '../input/Press';
import { useColours } from '../theme';
import { FONT, SPACE } from '../tokens';
import { Body } from '../type';
import type { Words } from '@kettle-scale/core/message';
import { say } from '../../reader/say';

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    gap: SPACE.m,
    alignItems: 'center',
    paddingVertical: SPACE.s,
  },
  text: { flex: 1 },
  line: { height: 1 },
});

interface CautionProps {
  /** The danger; where the rest is folded, also what to do at once. */
  lead: Words;
  text: Words;
  /** For a screen that is read in two seconds: the rest comes at a tap. */
  folded?: boolean;
}

/** A safety note where the danger is: short, with what to do. */
export function Caution({ lead, text, folded = false }: CautionProps) {
  const colours = useColours();
  const [open, setOpen] = useState(!folded);
  const words = (
    <>
      <Icon name="alert" size={28} colour={colours.plum} />
      <Body style={styles.text}>
        <Body style={{ fontFamily: FONT.strong }}>{lead}</Body>
        {open ? ` ${say(text)}` : null}
      </Body>
    </>
  );
  return (
    <View role="note">
      <Divider style={styles.line} />
      {folded ? (
        <Press role="button" aria-expanded={open} onPress={() => setOpen(!open)} style={styles.row}>
          {words}
          <Icon name={open ? 'menu-up' : 'menu-down'} size={24} colour={colours.soot} />
        </Press>
      ) : (
        <View style={styles.row}>{words}</View>
      )}
      <Divider style={styles.line} />
    </View>
  );
}
