import type { Words } from '@kettle-scale/core/message';
import { type ReactNode, useId } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { Text } from '../Text';
import { Divider, Surface } from 'react-native-paper';
import Svg, { Defs, Path, Pattern, Rect } from 'react-native-svg';
import { LARGE_TEXT } from '../textSize';
import { useColours } from '../theme';
import { FONT, SPACE } from '../tokens';
import { Figure, Label } from '../type';

const TOOTH = { width: 10, height: 5 } as const;

const styles = StyleSheet.create({
  body: { padding: SPACE.m, paddingBottom: SPACE.s, gap: SPACE.s },
  leader: {
    flexDirection: 'row',
    ...(LARGE_TEXT ? { flexWrap: 'wrap' as const } : {}),
    alignItems: 'baseline',
    minHeight: 36,
  },
  name: { fontFamily: FONT.figure, fontSize: 21, lineHeight: 26, flexShrink: 1 },
  dots: {
    flexGrow: 1,
    minWidth: 12,
    marginHorizontal: SPACE.s,
    borderBottomWidth: 2,
    borderStyle: 'dotted',
    height: 1,
  },
  aside: { width: 58, alignItems: 'flex-end' },
  rule: { height: 1, marginVertical: SPACE.xs },
});

/** A docket: square shoulders, torn lower edge. */
export function Ticket({ children, style }: { children: ReactNode; style?: ViewStyle }) {
  const colours = useColours();
  const teeth = `teeth-${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  return (
    <View style={style}>
      <Surface mode="flat" style={styles.body}>
        {children}
      </Surface>
      <Svg width="100%" height={TOOTH.height} aria-hidden>
        <Defs>
          <Pattern id={teeth} width={TOOTH.width} height={TOOTH.height} patternUnits="userSpaceOnUse">
            <Path d={`M0 0H${TOOTH.width}L${TOOTH.width / 2} ${TOOTH.height}Z`} fill={colours.surface} />
          </Pattern>
        </Defs>
        <Rect width="100%" height={TOOTH.height} fill={`url(#${teeth})`} />
      </Svg>
    </View>
  );
}

export const TicketRule = () => {
  const colours = useColours();
  return <Divider style={[styles.rule, { backgroundColor: colours.ink }]} />;
};

interface LeaderProps {
  name: Words;
  value: Words;
  unit?: string;
  /** A second, smaller figure at the end, such as the percentage. */
  aside?: Words;
  tone?: 'ink' | 'water' | 'plum' | 'sage';
}

/** A name joined to its amount by dots. */
export function Leader({ name, value, unit, aside, tone = 'ink' }: LeaderProps) {
  const colours = useColours();
  return (
    <View style={styles.leader}>
      <Text style={[styles.name, { color: colours[tone] }]}>{name}</Text>
      <View style={[styles.dots, { borderColor: colours.rule }]} />
      <Figure value={value} size={22} tone={tone} {...(unit ? { unit } : {})} />
      {aside !== undefined ? (
        <View style={styles.aside}>
          <Label style={{ fontFamily: FONT.figure, fontSize: 16 }}>{aside}</Label>
        </View>
      ) : null}
    </View>
  );
}
