import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useColours } from '../theme';
import { SPACE } from '../tokens';
import { Label, Title } from '../type';
import { useWide } from './useWide';

interface ScreenProps {
  eyebrow?: string;
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

const styles = StyleSheet.create({
  page: { flex: 1 },
  content: { padding: SPACE.m, gap: SPACE.m },
  wide: { padding: SPACE.l, gap: SPACE.l },
  fill: { flexGrow: 1 },
  head: { flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.m },
  titles: { flex: 1, minWidth: 0 },
  foot: { paddingHorizontal: SPACE.m, paddingVertical: SPACE.s, gap: SPACE.s },
});

/** A screen: title, content, and the action at the bottom. */
export function Screen({ eyebrow, title, aside, children, foot, fill = false }: ScreenProps) {
  const colours = useColours();
  const wide = useWide();
  return (
    <View style={[styles.page, { backgroundColor: colours.ground }]}>
      <ScrollView
        style={styles.page}
        contentContainerStyle={[styles.content, wide && styles.wide, fill && styles.fill]}
        // A page without anything to press must still scroll by keyboard.
        tabIndex={0}
        {...{ dataSet: { page: '' } }}
        keyboardShouldPersistTaps="handled"
      >
        <View style={styles.head}>
          <View style={styles.titles}>
            {eyebrow ? <Label>{eyebrow}</Label> : null}
            <Title>{title}</Title>
          </View>
          {aside}
        </View>
        {children}
      </ScrollView>
      {foot ? (
        <View style={styles.foot} {...{ dataSet: { foot: '' } }}>
          {foot}
        </View>
      ) : null}
    </View>
  );
}
