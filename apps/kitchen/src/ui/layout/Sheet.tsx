import { say } from '../../reader/say';
import { type ReactNode, useEffect, useRef } from 'react';
import { ScrollView, StyleSheet, View, useWindowDimensions } from 'react-native';
import { Modal, Portal } from 'react-native-paper';
import { Action } from '../input/actions';
import { useColours } from '../theme';
import { SPACE } from '../tokens';

interface SheetProps {
  open: boolean;
  onClose: () => void;
  /** Names the sheet for screen readers. */
  label: string;
  children: ReactNode;
}

/** Above it a strip of the screen stays in sight. */
const TALLEST = 0.88;

const styles = StyleSheet.create({
  place: { justifyContent: 'flex-end' },
  sheet: { alignSelf: 'center', width: '100%', maxWidth: 560 },
  inside: { padding: SPACE.l, gap: SPACE.m },
});

/** What a sheet holds: takes the focus when it comes, closes with Escape, gives the focus back when it goes. */
function Held({ onClose, label, children }: Omit<SheetProps, 'open'>) {
  const { height } = useWindowDimensions();
  const dialog = useRef<View>(null);
  useEffect(() => {
    const before = document.activeElement;
    (dialog.current as unknown as HTMLElement | null)?.focus();
    return () => {
      if (before instanceof HTMLElement) before.focus();
    };
  }, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onClose]);
  return (
    <View
      ref={dialog}
      role="dialog"
      aria-modal
      aria-label={say(label)}
      tabIndex={-1}
      style={{ outlineWidth: 0 }}
    >
      <ScrollView
        // A sheet with nothing to press must still scroll by keyboard.
        tabIndex={0}
        style={{ maxHeight: height * TALLEST }}
        contentContainerStyle={styles.inside}
      >
        {children}
        <Action label="Close" onPress={onClose} />
      </ScrollView>
    </View>
  );
}

/**
 * A sheet over the screen. It is mounted when it opens: Paper's modal that is asked back while it still fades out makes
 * its content anew when the fade ends, and what was typed by then is gone.
 */
export function Sheet({ open, onClose, label, children }: SheetProps) {
  const colours = useColours();
  if (!open) return null;
  return (
    <Portal>
      <Modal
        visible
        onDismiss={onClose}
        overlayAccessibilityLabel={say('Back to the screen')}
        style={styles.place}
        contentContainerStyle={[styles.sheet, { backgroundColor: colours.surface }]}
      >
        <Held {...{ onClose, label }}>{children}</Held>
      </Modal>
    </Portal>
  );
}
