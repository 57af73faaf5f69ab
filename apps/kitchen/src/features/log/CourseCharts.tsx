import { sayAll, say } from '../../reader/say';
import { figure, formatMoney } from '../../reader/figures';
import type { BatchFacts } from '@kettle-scale/core/log';

import { StyleSheet, View } from 'react-native';
import { useKitchen } from '../../api/queries';
import { type ChartPoint, XyChart } from '../../shared/chart';
import { useDays } from '../../shared/useDays';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading } from '../../ui/type';

const PERCENT = 100;

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  cell: { flexGrow: 1, flexBasis: 330, flexShrink: 1, minWidth: 0 },
});

interface Course {
  title: string;
  unit: string;
  of: (facts: BatchFacts) => number | null;
  write: (value: number) => string;
  zero?: boolean;
  /** Worth a mark. */
  bad?: (facts: BatchFacts, value: number) => boolean;
}

const tenths = (value: number) => figure(value, 1);

/** Hydration further from the plan than this, in points, is marked; and fewer good pieces than this, in percent. */
const MARKED = { points: 1.5, good: 90 } as const;

const COURSES: readonly Course[] = [
  {
    title: 'Good pieces',
    unit: '%',
    of: ({ pieces }) => (pieces.made && pieces.good !== null ? (pieces.good / pieces.made) * PERCENT : null),
    write: (value) => figure(value),
    bad: (_facts, value) => value < MARKED.good,
  },
  {
    title: 'Hydration of the dough',
    unit: '% of flour',
    of: ({ hydration }) => hydration.actual * PERCENT,
    write: tenths,
    bad: ({ hydration }, value) => Math.abs(value - hydration.planned * PERCENT) > MARKED.points,
  },
  {
    title: 'Lost in the bowl',
    unit: '% of dough',
    of: ({ bowlLoss }) => (bowlLoss === null ? null : bowlLoss * PERCENT),
    write: tenths,
    zero: true,
  },
  {
    title: 'Spring-back of the discs',
    unit: '% of diameter',
    of: ({ springBack }) => (springBack.seen === null ? null : springBack.seen * PERCENT),
    write: tenths,
    zero: true,
    bad: ({ springBack }) => (springBack.seen ?? 0) > springBack.wanted + 0.02,
  },
];

function CourseTicket({ course, batches }: { course: Course; batches: readonly BatchFacts[] }) {
  const { title, unit, of, write, zero = false, bad } = course;
  const { day } = useDays();
  const seen = batches.flatMap((facts) => {
    const value = of(facts);
    return value === null ? [] : [{ facts, value, ms: Date.parse(facts.startedAt) }];
  });
  if (seen.length < 2) return null;
  const points = seen.map(({ facts, value, ms }): ChartPoint => ({
    x: ms,
    y: value,
    words: `${day(ms)}: ${write(value)} ${say(unit)}`,
    flagged: bad?.(facts, value) ?? false,
  }));
  return (
    <View style={styles.cell}>
      <Ticket>
        <Heading>{title}</Heading>
        <XyChart
          label={sayAll([title, unit])}
          points={points}
          joined
          y={{ label: unit, format: write, zero }}
          x={{ label: 'day', format: day }}
          table={{
            columns: ['Batch', 'day', unit],
            rows: seen.map(({ value, ms }, index) => [String(index + 1), day(ms), write(value)]),
          }}
        />
      </Ticket>
    </View>
  );
}

/** How one formula's figures go from batch to batch. */
export function CourseCharts({ batches }: { batches: readonly BatchFacts[] }) {
  const kitchen = useKitchen();
  const currency = kitchen.data?.currency ?? 'EUR';
  const cost: Course = {
    title: 'Cost of a piece',
    unit: currency,
    of: ({ costPerPiece }) => costPerPiece,
    write: (value) => formatMoney(value, currency, 3),
  };
  return (
    <View style={styles.grid}>
      {[...COURSES, cost].map((course) => (
        <CourseTicket key={course.title} course={course} batches={batches} />
      ))}
    </View>
  );
}
