import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useColours } from '../theme';
import { SIDEWAYS, SPACE } from '../tokens';
import { Label, Title } from '../type';
import { useSideways, useWide } from './useWide';

interface ScreenProps {
  /** Words above the title, or a line of them. */
  eyebrow?: ReactNode;
  /** Words, or a part that follows the clock by itself. */
  title: ReactNode;
  /** At the right of the title. */
  aside?: ReactNode;
  children: ReactNode;
  /** Stays at the bottom, in thumb reach. */
  foot?: ReactNode;
  /** Fills the height instead of scrolling from the top, for working screens. */
  fill?: boolean;
}

/** On a wide screen the main action is as wide as what it acts on, px: a bar across the whole window belongs to nothing. */
const WIDEST_FOOT = 680;

const styles = StyleSheet.create({
  page: { flex: 1 },
  sideways: { flexDirection: 'row' },
  content: { padding: SPACE.m, gap: SPACE.m },
  wide: { padding: SPACE.l, gap: SPACE.l },
  fill: { flexGrow: 1 },
  head: { flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.m },
  titles: { flex: 1, minWidth: 0 },
  foot: { paddingHorizontal: SPACE.m, paddingVertical: SPACE.s, gap: SPACE.s },
  acts: {
    width: SIDEWAYS.actsPx,
    paddingLeft: 0,
    paddingVertical: SPACE.m,
    justifyContent: 'flex-end',
  },
  low: { paddingVertical: SPACE.s, gap: SPACE.s },
  wideFoot: { paddingHorizontal: SPACE.l, width: '100%', maxWidth: WIDEST_FOOT + 2 * SPACE.l },
});

/** A screen: title, content, and the action at the bottom; on a phone on its side, at the right. */
export function Screen({ eyebrow, title, aside, children, foot, fill = false }: ScreenProps) {
  const colours = useColours();
  const wide = useWide();
  const sideways = useSideways();
  return (
    <View style={[styles.page, sideways && styles.sideways, { backgroundColor: colours.ground }]}>
      <ScrollView
        style={styles.page}
        contentContainerStyle={[
          styles.content,
          wide && styles.wide,
          sideways && styles.low,
          fill && styles.fill,
        ]}
        // A page without anything to press must still scroll by keyboard.
        tabIndex={0}
        {...{ dataSet: { page: '' } }}
        keyboardShouldPersistTaps="handled"
      >
        <View style={styles.head}>
          <View style={styles.titles}>
            {typeof eyebrow === 'string' && eyebrow !== '' ? <Label>{eyebrow}</Label> : eyebrow || null}
            <Title>{title}</Title>
          </View>
          {aside}
        </View>
        {children}
      </ScrollView>
      {foot ? (
        <View
          style={[styles.foot, wide && styles.wideFoot, sideways && styles.acts]}
          {...{ dataSet: { foot: '' } }}
        >
          {foot}
        </View>
      ) : null}
    </View>
  );
}
