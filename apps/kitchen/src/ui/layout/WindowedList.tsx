import { say } from '../../reader/say';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useLayoutEffect, useRef, useState } from 'react';
import { View } from 'react-native';

export interface ListProps<T> {
  label: string;
  items: readonly T[];
  keyOf: (item: T) => string;
  /** Guess of a row's height in px, before it is measured. */
  rowPx: number;
  gap: number;
  row: (item: T) => ReactNode;
}

/** Rows drawn beyond the edges, so that a flick of the thumb finds them there. */
const OVERSCAN = 2;

/** The box that scrolls around an element. */
function scrollerOf(element: HTMLElement | null): HTMLElement | null {
  for (let at = element?.parentElement ?? null; at; at = at.parentElement) {
    const { overflowY } = getComputedStyle(at);
    if (overflowY === 'auto' || overflowY === 'scroll') return at;
  }
  return null;
}

/** A long list inside a screen that scrolls: only the rows in sight are drawn. */
export default function WindowedList<T>({ label, items, keyOf, rowPx, gap, row }: ListProps<T>) {
  const box = useRef<View>(null);
  const [scroller, setScroller] = useState<HTMLElement | null>(null);
  const [above, setAbove] = useState(0);
  useLayoutEffect(() => {
    const element = box.current as unknown as HTMLElement | null;
    const found = scrollerOf(element);
    setScroller(found);
    if (element && found) {
      setAbove(element.getBoundingClientRect().top - found.getBoundingClientRect().top + found.scrollTop);
    }
  }, [items]);
  // The rule warns that React's compiler would have to leave this out; the compiler is not used here.
  // eslint-disable-next-line react-hooks/incompatible-library
  const list = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller,
    estimateSize: () => rowPx,
    getItemKey: (index) => keyOf(items[index] as T),
    overscan: OVERSCAN,
    gap,
    scrollMargin: above,
  });
  return (
    <View ref={box} role="list" aria-label={say(label)} style={{ height: list.getTotalSize() }}>
      {list.getVirtualItems().map(({ key, index, start }) => (
        <div
          key={key}
          role="listitem"
          aria-setsize={items.length}
          aria-posinset={index + 1}
          data-index={index}
          ref={list.measureElement}
          style={{
            position: 'absolute',
            top: 0,
            left: 0,
            right: 0,
            transform: `translateY(${start - above}px)`,
          }}
        >
          {row(items[index] as T)}
        </div>
      ))}
    </View>
  );
}
