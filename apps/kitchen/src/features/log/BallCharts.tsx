import { figure } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import type { BatchFacts } from '@kettle-scale/core/log';
import { ZONE_RULES, controlChart } from '@kettle-scale/core/quality';
import { StyleSheet, View } from 'react-native';
import { XyChart } from '../../shared/chart';
import { useDays } from '../../shared/useDays';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { Body, Heading, Label, Strong } from '../../ui/type';

/** Subgroups that a chart has constants for. */
const SIZES = { least: 2, most: 10 } as const;
/** Fewer batches than these make limits out of chance. */
const FEWEST = 3;

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  cell: { flexGrow: 1, flexBasis: 330, flexShrink: 1, minWidth: 0 },
});

/** As fine as a scale for balls, in grams or ounces. */
const DECIMALS = { metric: 1, us: 3 } as const;

/** Masses of balls as the reader reads them; inside the charts they are in the reader's unit. */
function useBallMass() {
  const { units, unitOf, read } = useFormat();
  const plain = (value: number) => figure(value, DECIMALS[units]);
  const signed = (value: number) => `${value > 0 ? '+' : value < 0 ? '−' : ''}${plain(Math.abs(value))}`;
  return { unit: unitOf('g'), plain, signed, read: (massG: number) => read(massG, 'g') };
}

/** The sample size that most batches have: a chart takes only one. */
function usualSize(batches: readonly BatchFacts[]): number | null {
  const counts = new Map<number, number>();
  for (const { balls } of batches) {
    const n = balls.massesG.length;
    if (n >= SIZES.least && n <= SIZES.most) counts.set(n, (counts.get(n) ?? 0) + 1);
  }
  const [best] = [...counts].sort(([, a], [, b]) => b - a);
  return best?.[0] ?? null;
}

interface MeanAndRangeProps {
  chart: ReturnType<typeof controlChart>;
  x: { label: string; format: (at: number) => string; ticks?: number[] };
  table: { columns: string[]; rows: string[][] };
  dayOfBatch: (index: number) => string;
}

/** The chart of means over the chart of ranges, each with its limits. */
function MeanAndRange({ chart, x, table, dayOfBatch }: MeanAndRangeProps) {
  const { unit, plain, signed } = useBallMass();
  return (
    <View style={styles.grid}>
      <View style={styles.cell}>
        <Label>Mean of the balls, off target</Label>
        <XyChart
          label="Mean of the balls of each batch, off target"
          joined
          points={chart.points.map(({ mean, rules }, index) => ({
            x: index,
            y: mean,
            flagged: rules.length > 0,
            words: say('{dayOfBatch}: {signed} {unit} off target{length}', {
              dayOfBatch: dayOfBatch(index),
              signed: signed(mean),
              unit,
              length:
                rules.length > 0
                  ? `, ${sayAll(
                      rules.map((rule) => ZONE_RULES[rule]),
                      '; ',
                    )}`
                  : '',
            }),
          }))}
          y={{ label: unit, format: signed }}
          x={x}
          levels={[
            { y: chart.means.centre, name: 'middle', tone: 'ink' },
            { y: chart.means.high, name: 'limit', tone: 'plum', dashed: true },
            { y: chart.means.low, name: 'limit ', tone: 'plum', dashed: true },
          ]}
          table={table}
        />
      </View>
      <View style={styles.cell}>
        <Label>Lightest to heaviest within a batch</Label>
        <XyChart
          label="Range of the balls within each batch"
          joined
          points={chart.points.map(({ range, wide }, index) => ({
            x: index,
            y: range,
            flagged: wide,
            words: say('{dayOfBatch}: {plain} {unit} from lightest to heaviest', {
              dayOfBatch: dayOfBatch(index),
              plain: plain(range),
              unit,
            }),
          }))}
          y={{ label: unit, format: plain, zero: true }}
          x={x}
          levels={[
            { y: chart.ranges.centre, name: 'middle', tone: 'ink' },
            { y: chart.ranges.high, name: 'limit', tone: 'plum', dashed: true },
          ]}
          table={table}
        />
      </View>
    </View>
  );
}

/**
 * X̄-R chart of the balls: how far each batch's mean is off its own target, and the range within it, with limits and
 * zone rules in plain words.
 */
export function BallCharts({ batches }: { batches: readonly BatchFacts[] }) {
  const { unit, plain, signed, read } = useBallMass();
  const { day } = useDays();
  const size = usualSize(batches);
  const sampled = batches.filter(({ balls }) => balls.massesG.length === size);
  const left = batches.filter(({ balls }) => balls.massesG.length > 0).length - sampled.length;
  if (size === null || sampled.length < FEWEST) {
    return (
      <Ticket>
        <Heading>Ball weights in control</Heading>
        <Body tone="soot">
          {say('Weigh five balls in {fewest, number} batches or more, and their chart appears here.', {
            fewest: FEWEST,
          })}
        </Body>
      </Ticket>
    );
  }
  const chart = controlChart(sampled.map(({ balls }) => balls.massesG.map((g) => read(g - balls.targetG))));
  const marked = chart.points.flatMap(({ rules, wide }, index) => {
    const batch = sampled[index];
    return batch && (rules.length > 0 || wide) ? [{ batch, rules, wide }] : [];
  });
  const rulesOf = (index: number): string =>
    sayAll(
      [
        ...(chart.points[index]?.rules ?? []).map((rule) => ZONE_RULES[rule]),
        chart.points[index]?.wide && 'spread outside of its limits',
      ],
      '; ',
    );
  const dayOfBatch = (index: number) => (sampled[index] ? day(sampled[index].startedAt) : '');
  const x = {
    label: 'batch',
    format: (at: number) => (Number.isInteger(at) ? dayOfBatch(at) : ''),
    ...(sampled.length <= 5 ? { ticks: sampled.map((_one, index) => index) } : {}),
  };
  const rows = sampled.map((batch, index) => [
    `${index + 1} ${day(batch.startedAt)}`,
    `${signed(chart.points[index]?.mean ?? 0)} ${unit}`,
    `${plain(chart.points[index]?.range ?? 0)} ${unit}`,
    rulesOf(index) || 'as usual',
  ]);
  const table = { columns: ['Batch', 'mean off', 'range', 'rules'], rows };
  return (
    <Ticket>
      <Heading>{say('Ball weights in control, {size, number} weighed a batch', { size })}</Heading>
      {marked.length === 0 ? (
        <Strong tone="sage">Nothing out of the ordinary: what is left is chance.</Strong>
      ) : (
        <View role="list">
          {marked.map(({ batch, rules, wide }) => (
            <View key={batch.batchId} role="listitem">
              <Strong tone="plum">
                {`${day(batch.startedAt)}: ${sayAll([...rules.map((rule) => ZONE_RULES[rule]), wide && 'spread outside of its limits'], '; ')}.`}
              </Strong>
            </View>
          ))}
        </View>
      )}
      <MeanAndRange {...{ chart, x, table, dayOfBatch }} />
      {left > 0 ? (
        <Label>
          {say('{left, number} batches with another number of balls are not in the chart.', { left })}
        </Label>
      ) : null}
    </Ticket>
  );
}
