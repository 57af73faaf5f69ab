import { type ReactNode, useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Icon } from '../Icon';
import { Press } from '../input/Press';
import { useColours } from '../theme';
import { SPACE, TOUCH } from '../tokens';
import { Strong } from '../type';

const styles = StyleSheet.create({
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    alignSelf: 'flex-start',
    gap: SPACE.xs,
    minHeight: TOUCH.other,
    paddingRight: SPACE.m,
  },
  open: { gap: SPACE.m },
});

/** What a screen that is read in two seconds keeps for who asks. */
export function Unfold({ label = 'More', children }: { label?: string; children: ReactNode }) {
  const colours = useColours();
  const [open, setOpen] = useState(false);
  const part = useRef<View>(null);
  // Whoever asks for it sees it: on a phone it would open below what is in sight.
  useEffect(() => {
    if (open) (part.current as unknown as Partial<HTMLElement> | null)?.scrollIntoView?.({ block: 'start' });
  }, [open]);
  return (
    <View ref={part}>
      <Press role="button" aria-expanded={open} onPress={() => setOpen(!open)} style={styles.head}>
        <Strong>{label}</Strong>
        <Icon name={open ? 'menu-up' : 'menu-down'} size={24} colour={colours.soot} />
      </Press>
      {open ? <View style={styles.open}>{children}</View> : null}
    </View>
  );
}
