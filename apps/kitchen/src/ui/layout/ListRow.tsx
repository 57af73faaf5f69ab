import { type Href, Link } from 'expo-router';
import type { ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import { List } from 'react-native-paper';
import { say } from '../../reader/say';
import { useColours } from '../theme';
import { FONT, TOUCH } from '../tokens';

interface ListRowProps {
  title: string;
  description?: string | undefined;
  /** At the right end: a figure. */
  right?: ReactNode;
  /** The row that the page beside the list shows. */
  here?: boolean;
  /** Where the row leads, or what a tap of it does. */
  to: Href | (() => void);
}

const styles = StyleSheet.create({
  row: { minHeight: TOUCH.other, paddingVertical: 0, paddingRight: 0, borderBottomWidth: 1 },
  inside: { marginVertical: 0, alignItems: 'center' },
  words: { paddingLeft: 0, marginVertical: 6 },
  title: { fontFamily: FONT.strong, fontSize: 16, lineHeight: 22 },
  description: { fontFamily: FONT.text, fontSize: 14, lineHeight: 18 },
});

/** One row of a list: what it is, a word on it, a figure. */
export function ListRow({ title, description, right, here = false, to }: ListRowProps) {
  const colours = useColours();
  const row = (onPress?: () => void) => (
    <List.Item
      title={say(title)}
      titleNumberOfLines={2}
      description={description && say(description)}
      right={right ? () => right : undefined}
      // A link hands its style on as one object.
      style={StyleSheet.flatten([styles.row, { borderColor: here ? colours.ember : colours.rule }])}
      containerStyle={styles.inside}
      contentStyle={styles.words}
      titleStyle={styles.title}
      descriptionStyle={styles.description}
      {...(onPress ? { onPress, role: 'button' as const } : {})}
      {...(here ? { 'aria-current': true } : {})}
    />
  );
  if (typeof to === 'function') return row(to);
  return (
    <Link asChild href={to}>
      {row()}
    </Link>
  );
}
