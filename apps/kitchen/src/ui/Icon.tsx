import Archive from 'lucide-react-native/dist/esm/icons/archive';
import ArrowDown from 'lucide-react-native/dist/esm/icons/arrow-down';
import ArrowLeftRight from 'lucide-react-native/dist/esm/icons/arrow-left-right';
import ArrowUp from 'lucide-react-native/dist/esm/icons/arrow-up';
import Bell from 'lucide-react-native/dist/esm/icons/bell';
import ChartLine from 'lucide-react-native/dist/esm/icons/chart-line';
import CalendarDays from 'lucide-react-native/dist/esm/icons/calendar-days';
import Check from 'lucide-react-native/dist/esm/icons/check';
import ChevronLeft from 'lucide-react-native/dist/esm/icons/chevron-left';
import ChevronDown from 'lucide-react-native/dist/esm/icons/chevron-down';
import ChevronUp from 'lucide-react-native/dist/esm/icons/chevron-up';
import ChevronRight from 'lucide-react-native/dist/esm/icons/chevron-right';
import Clock from 'lucide-react-native/dist/esm/icons/clock';
import ClipboardPaste from 'lucide-react-native/dist/esm/icons/clipboard-paste';
import Copy from 'lucide-react-native/dist/esm/icons/copy';
import Delete from 'lucide-react-native/dist/esm/icons/delete';
import Download from 'lucide-react-native/dist/esm/icons/download';
import EllipsisVertical from 'lucide-react-native/dist/esm/icons/ellipsis-vertical';
import Flame from 'lucide-react-native/dist/esm/icons/flame';
import GripVertical from 'lucide-react-native/dist/esm/icons/grip-vertical';
import History from 'lucide-react-native/dist/esm/icons/history';
import Lock from 'lucide-react-native/dist/esm/icons/lock';
import LockOpen from 'lucide-react-native/dist/esm/icons/lock-open';
import Minus from 'lucide-react-native/dist/esm/icons/minus';
import Pencil from 'lucide-react-native/dist/esm/icons/pencil';
import Plus from 'lucide-react-native/dist/esm/icons/plus';
import Printer from 'lucide-react-native/dist/esm/icons/printer';
import Redo2 from 'lucide-react-native/dist/esm/icons/redo-2';
import Scale from 'lucide-react-native/dist/esm/icons/scale';
import ScrollText from 'lucide-react-native/dist/esm/icons/scroll-text';
import Search from 'lucide-react-native/dist/esm/icons/search';
import Settings from 'lucide-react-native/dist/esm/icons/settings';
import TextCursorInput from 'lucide-react-native/dist/esm/icons/text-cursor-input';
import Trash2 from 'lucide-react-native/dist/esm/icons/trash-2';
import TriangleAlert from 'lucide-react-native/dist/esm/icons/triangle-alert';
import Undo2 from 'lucide-react-native/dist/esm/icons/undo-2';
import Upload from 'lucide-react-native/dist/esm/icons/upload';
import X from 'lucide-react-native/dist/esm/icons/x';

const ICONS = {
  alert: TriangleAlert,
  back: ChevronLeft,
  bell: Bell,
  calendar: CalendarDays,
  check: Check,
  close: X,
  erase: Delete,
  flame: Flame,
  formulas: ScrollText,
  bench: Scale,
  log: ChartLine,
  minus: Minus,
  next: ChevronRight,
  // Names that the calendar asks for.
  'chevron-left': ChevronLeft,
  'chevron-right': ChevronRight,
  'menu-down': ChevronDown,
  'menu-up': ChevronUp,
  plus: Plus,
  settings: Settings,
  shift: Clock,
  undo: Undo2,
  upload: Upload,
  archive: Archive,
  copy: Copy,
  download: Download,
  drag: GripVertical,
  edit: Pencil,
  find: Search,
  history: History,
  lock: Lock,
  more: EllipsisVertical,
  open: LockOpen,
  paste: ClipboardPaste,
  print: Printer,
  redo: Redo2,
  swap: ArrowLeftRight,
  trash: Trash2,
  up: ArrowUp,
  down: ArrowDown,
  write: TextCursorInput,
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
