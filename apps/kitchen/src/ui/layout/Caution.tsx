import { StyleSheet, View } from 'react-native';
import { Divider } from 'react-native-paper';
import { Icon } from '../Icon';
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

/** A safety note where the danger is: short, with what to do. */
export function Caution({ lead, text }: { lead: Words; text: Words }) {
  const colours = useColours();
  return (
    <View role="note">
      <Divider style={styles.line} />
      <View style={styles.row}>
        <Icon name="alert" size={28} colour={colours.plum} />
        <Body style={styles.text}>
          <Body style={{ fontFamily: FONT.strong }}>{lead}</Body> {say(text)}
        </Body>
      </View>
      <Divider style={styles.line} />
    </View>
  );
}
