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

/** A sheet over the screen: takes the focus, closes with Escape, gives the focus back. */
export function Sheet({ open, onClose, label, children }: SheetProps) {
  const colours = useColours();
  const { height } = useWindowDimensions();
  const dialog = useRef<View>(null);
  useEffect(() => {
    if (!open) return undefined;
    const before = document.activeElement;
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose();
    };
    window.addEventListener('keydown', onKey);
    (dialog.current as unknown as HTMLElement | null)?.focus();
    return () => {
      window.removeEventListener('keydown', onKey);
      if (before instanceof HTMLElement) before.focus();
    };
  }, [open, onClose]);
  return (
    <Portal>
      <Modal
        visible={open}
        onDismiss={onClose}
        overlayAccessibilityLabel="Back to the screen"
        style={styles.place}
        contentContainerStyle={[styles.sheet, { backgroundColor: colours.surface }]}
      >
        <View
          ref={dialog}
          role="dialog"
          aria-modal
          aria-label={label}
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
      </Modal>
    </Portal>
  );
}
