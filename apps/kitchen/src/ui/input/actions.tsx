import { Button } from 'react-native-paper';
import { StyleSheet, type TextStyle, View, type ViewStyle } from 'react-native';
import { say } from '../../reader/say';
import type { IconName } from '../Icon';
import { useSideways } from '../layout/useWide';
import { LARGE_TEXT, atReadersSize } from '../textSize';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE, TOUCH } from '../tokens';

interface ActionProps {
  label: string;
  onPress: () => void;
  disabled?: boolean;
  icon?: IconName;
  style?: ViewStyle;
  /** Said by a screen reader when the label alone is too short. */
  hint?: string;
}

/** Paper keeps a label on one line; that of a longer language takes a second instead of being cut. */
const WRAPS = { whiteSpace: 'normal' } as unknown as TextStyle;
/** Wider than this a button looks like a field, px. */
const WIDEST = 480;

const styles = StyleSheet.create({
  primary: { borderRadius: CORNER, borderWidth: 2 },
  primaryContent: { minHeight: TOUCH.primary - 4 },
  // At the side of what it acts on it takes the height that is there.
  tall: { flexGrow: 1, flexShrink: 1, justifyContent: 'center' },
  primaryLabel: {
    fontFamily: FONT.figure,
    fontSize: 26,
    lineHeight: 30,
    letterSpacing: 0.2,
    marginHorizontal: SPACE.s,
  },
  // Beside one whose label takes two lines, a short label stays in the middle.
  other: { borderRadius: CORNER, borderWidth: 2, maxWidth: WIDEST, justifyContent: 'center' },
  otherContent: { minHeight: TOUCH.other - 4 },
  otherLabel: {
    fontFamily: FONT.strong,
    fontSize: 17,
    lineHeight: 22,
    letterSpacing: 0,
    marginHorizontal: SPACE.s,
  },
  /** Paper pulls the icon towards the label; this keeps them apart. */
  besideIcon: { marginLeft: SPACE.l },
  row: { flexDirection: LARGE_TEXT ? 'column' : 'row', gap: SPACE.s },
  wraps: { flexWrap: 'wrap' },
  half: { flexGrow: 1, flexBasis: '40%', minWidth: 0 },
  share: { flexGrow: 1, flexBasis: LARGE_TEXT ? 'auto' : 0, minWidth: 0 },
});

const optional = ({ icon, hint }: Pick<ActionProps, 'icon' | 'hint'>) => ({
  ...(icon ? { icon } : {}),
  ...(hint ? { accessibilityLabel: say(hint) } : {}),
});

interface PrimaryProps extends ActionProps {
  /** Drawn with a line, for when it is too early to take it without a thought. */
  quiet?: boolean;
}

/** The one action of a screen, in thumb reach. */
export function PrimaryAction({
  label,
  onPress,
  disabled = false,
  quiet = false,
  icon,
  style,
  hint,
}: PrimaryProps) {
  const colours = useColours();
  const sideways = useSideways();
  const fill = disabled ? colours.idle : quiet ? colours.surface : colours.ember;
  const ink = disabled ? colours.onIdle : quiet ? colours.ink : colours.onEmber;
  return (
    <Button
      mode="contained"
      onPress={onPress}
      disabled={disabled}
      buttonColor={fill}
      textColor={ink}
      style={[
        styles.primary,
        sideways && styles.tall,
        { borderColor: quiet && !disabled ? colours.ember : fill },
        style,
      ]}
      contentStyle={styles.primaryContent}
      labelStyle={[atReadersSize(styles.primaryLabel), WRAPS, icon && styles.besideIcon]}
      {...optional({ icon, hint })}
    >
      {say(label)}
    </Button>
  );
}

/** Any other action, drawn with a line. */
export function Action({ label, onPress, disabled = false, icon, style, hint }: ActionProps) {
  const colours = useColours();
  return (
    <Button
      mode="outlined"
      onPress={onPress}
      disabled={disabled}
      textColor={disabled ? colours.onIdle : colours.ink}
      style={[
        styles.other,
        { borderColor: disabled ? colours.rule : colours.ink, backgroundColor: 'transparent' },
        style,
      ]}
      contentStyle={styles.otherContent}
      labelStyle={[atReadersSize(styles.otherLabel), WRAPS, icon && styles.besideIcon]}
      {...optional({ icon, hint })}
    >
      {say(label)}
    </Button>
  );
}

/** Actions side by side, sharing the width. */
export function ActionRow({ actions }: { actions: (ActionProps & { key: string })[] }) {
  const sideways = useSideways();
  return (
    <View style={[styles.row, sideways && styles.wraps]}>
      {actions.map(({ key, ...action }) => (
        <Action key={key} {...action} style={sideways ? styles.half : styles.share} />
      ))}
    </View>
  );
}
