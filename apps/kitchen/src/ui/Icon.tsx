import Bell from 'lucide-react-native/dist/esm/icons/bell';
import ChartLine from 'lucide-react-native/dist/esm/icons/chart-line';
import Check from 'lucide-react-native/dist/esm/icons/check';
import ChevronLeft from 'lucide-react-native/dist/esm/icons/chevron-left';
import ChevronRight from 'lucide-react-native/dist/esm/icons/chevron-right';
import Delete from 'lucide-react-native/dist/esm/icons/delete';
import Flame from 'lucide-react-native/dist/esm/icons/flame';
import Minus from 'lucide-react-native/dist/esm/icons/minus';
import Plus from 'lucide-react-native/dist/esm/icons/plus';
import Scale from 'lucide-react-native/dist/esm/icons/scale';
import ScrollText from 'lucide-react-native/dist/esm/icons/scroll-text';
import Settings from 'lucide-react-native/dist/esm/icons/settings';
import TriangleAlert from 'lucide-react-native/dist/esm/icons/triangle-alert';
import Undo2 from 'lucide-react-native/dist/esm/icons/undo-2';
import Upload from 'lucide-react-native/dist/esm/icons/upload';
import X from 'lucide-react-native/dist/esm/icons/x';

const ICONS = {
  alert: TriangleAlert,
  back: ChevronLeft,
  bell: Bell,
  check: Check,
  close: X,
  erase: Delete,
  flame: Flame,
  formulas: ScrollText,
  bench: Scale,
  log: ChartLine,
  minus: Minus,
  next: ChevronRight,
  plus: Plus,
  settings: Settings,
  undo: Undo2,
  upload: Upload,
} as const;

export type IconName = keyof typeof ICONS;

/** A line icon; always beside a word, so it is hidden from screen readers. */
export function Icon({ name, size = 24, colour }: { name: IconName; size?: number; colour: string }) {
  const Drawing = ICONS[name];
  return <Drawing size={size} color={colour} strokeWidth={2} aria-hidden />;
}

/** Lets Paper draw our icons where it asks for one by name. */
export function PaperIcon({ name, color, size }: { name: string; color?: string | undefined; size: number }) {
  return name in ICONS ? <Icon name={name as IconName} size={size} colour={color ?? 'currentColor'} /> : null;
}
