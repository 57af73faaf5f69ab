import { reader } from '../../reader/say';
import { format, parseISO } from 'date-fns';
import { View } from 'react-native';
import { Calendar, enGB, registerTranslation } from 'react-native-paper-dates';
import { Sheet } from '../layout/Sheet';

/** The calendar draws months one below the other and needs to know how high it may be, px. */
const HEIGHT_PX = 420;

export interface CalendarSheetProps {
  open: boolean;
  label: string;
  /** As 2026-03-04; empty while none is chosen. */
  day: string;
  onDay: (day: string) => void;
  onClose: () => void;
}

/** Years that may be gone to, before and after this one. */
const YEARS = { back: 10, ahead: 2 } as const;

/** A month to choose a day from. */
export default function CalendarSheet({ open, label, day, onDay, onClose }: CalendarSheetProps) {
  const year = new Date().getFullYear();
  const locale = reader().locale === 'en' ? 'en-GB' : reader().locale;
  // Names of months and days are the browser's; none of the package's own words is shown.
  registerTranslation(locale, enGB);
  return (
    <Sheet open={open} onClose={onClose} label={label}>
      <View style={{ height: HEIGHT_PX }}>
        <Calendar
          mode="single"
          locale={locale}
          startWeekOnMonday
          startYear={year - YEARS.back}
          endYear={year + YEARS.ahead}
          date={day === '' ? undefined : parseISO(day)}
          onChange={({ date }) => {
            if (date) onDay(format(date, 'yyyy-MM-dd'));
            onClose();
          }}
        />
      </View>
    </Sheet>
  );
}
