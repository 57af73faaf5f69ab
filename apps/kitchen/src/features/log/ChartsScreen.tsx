import type { BatchFacts } from '@kettle-scale/core/log';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useFacts } from '../../api/logQueries';
import { useFormulas } from '../../api/queries';
import { Choices } from '../../ui/input/Choices';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { SPACE } from '../../ui/tokens';
import { BallCharts } from './BallCharts';
import { CourseCharts } from './CourseCharts';

/** As many batches as a chart can show apart. */
const MOST = '60';

const styles = StyleSheet.create({ stack: { gap: SPACE.l } });

/** The formula that was made most of late: the one that is looked at first. */
function mostMade(facts: readonly BatchFacts[]): string {
  const counts = new Map<string, number>();
  for (const { formulaId } of facts) counts.set(formulaId, (counts.get(formulaId) ?? 0) + 1);
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? '';
}

/** Batches of one formula in the order of time: balls under control, good pieces, water, losses, cost. */
export function ChartsScreen() {
  const formulas = useFormulas();
  const [picked, setPicked] = useState<string | null>(null);
  const newest = useFacts({ limit: MOST });
  const formula = picked ?? mostMade(newest.data ?? []);
  const facts = useFacts({ formula, limit: MOST });
  const batches: BatchFacts[] | undefined = formula
    ? facts.data?.filter(({ status }) => status === 'finished').reverse()
    : newest.data;
  return (
    <Screen eyebrow="Batch after batch" title="Charts">
      <Choices
        label="Formula"
        value={formula}
        options={(formulas.data ?? []).map(({ id, name }) => [id, name] as const)}
        onChange={setPicked}
      />
      {batches ? (
        batches.length > 0 ? (
          <View style={styles.stack}>
            <BallCharts batches={batches} />
            <CourseCharts batches={batches} />
          </View>
        ) : (
          <Notice
            title="Nothing to draw yet"
            text="Charts begin with the first finished batch of this formula."
          />
        )
      ) : (
        <Waiting what="the charts" error={facts.error ?? newest.error} onRetry={() => void facts.refetch()} />
      )}
    </Screen>
  );
}
