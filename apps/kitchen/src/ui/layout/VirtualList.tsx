import { say } from '../../reader/say';
import { View } from 'react-native';
import type { ListProps } from './WindowedList';
import { lazily } from './lazily';

/** As many rows as a browser draws without a hitch; longer lists draw only what is in sight. */
const MOST_DRAWN = 40;

const Windowed = lazily(() => import('./WindowedList')) as <T>(props: ListProps<T>) => React.ReactNode;

/** A list inside a screen that scrolls, of any length. */
export function VirtualList<T>(props: ListProps<T>) {
  const { label, items, keyOf, gap, row } = props;
  if (items.length > MOST_DRAWN) return <Windowed {...props} />;
  return (
    <View role="list" aria-label={say(label)} style={{ gap }}>
      {items.map((item) => (
        <View key={keyOf(item)} role="listitem">
          {row(item)}
        </View>
      ))}
    </View>
  );
}
