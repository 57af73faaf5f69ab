import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';
import type { FigureId } from '@kettle-scale/core/explain';
import type { Plan } from '@kettle-scale/core/plan';

import { StyleSheet, View } from 'react-native';
import { CrossSection, Disc } from '../../ui/chart/Disc';
import { SPACE } from '../../ui/tokens';
import { Figure, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useWide } from '../../ui/layout/useWide';
import { Ask } from '../../ui/layout/Why';

const DISC_PX = { phone: 124, wide: 260 } as const;
/** The picture is 320 mm wide, so that a larger ball is seen to make a larger disc. */
const SCALE_MM = 320;
const SECTION = { px: 130, pxPerMm: 8 } as const;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: SPACE.m, alignItems: 'center' },
  side: { flex: 1, minWidth: 0, gap: SPACE.xs },
  facts: { flexDirection: 'row', gap: SPACE.l },
});

/** The disc that comes out, to scale, rolled and relaxed. */
export function PlanPicture({ plan, onWhy }: { plan: Plan; onWhy: (figure: FigureId) => void }) {
  const format = useFormat();
  const px = useWide() ? DISC_PX.wide : DISC_PX.phone;
  return (
    <View style={styles.row}>
      <Ask onPress={() => onWhy('disc')}>
        <Disc
          diameterMm={plan.relaxed.diameterMm}
          px={px}
          scaleMm={SCALE_MM}
          dimension={format.length(plan.relaxed.diameterMm)}
        />
      </Ask>
      <View style={styles.side}>
        <Ask onPress={() => onWhy('thickness')}>
          <Strong>{say('{length} rolled', { length: format.length(plan.rolled.thicknessMm) })}</Strong>
          <CrossSection thicknessMm={plan.rolled.thicknessMm} {...SECTION} />
          <Label>
            {say('to {length}; {length2} when it has relaxed', {
              length: format.length(plan.rolled.diameterMm),
              length2: format.length(plan.relaxed.thicknessMm),
            })}
          </Label>
        </Ask>
        <View style={styles.facts}>
          <Ask onPress={() => onWhy('hydration')}>
            <Label>Hydration</Label>
            <Figure value={formatPercent(plan.totals.hydration, 1)} size={22} tone="water" />
          </Ask>
          <Ask onPress={() => onWhy('pieces')}>
            <Label>Pieces</Label>
            <Figure value={String(plan.pieces)} size={22} />
          </Ask>
        </View>
      </View>
    </View>
  );
}
