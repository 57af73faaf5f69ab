import type { Plan } from '@kettle-scale/core/plan';
import { formatPercent, formatSpan } from '@kettle-scale/core/quantity';
import type { TodayFigure } from '@kettle-scale/core/explain';
import { View } from 'react-native';
import { Ask } from '../../ui/layout/Why';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { WaterGauge } from '../../shared/WaterGauge';

const points = (share: number): string =>
  `${share < 0 ? '−' : '+'}${Math.abs(share * 100).toFixed(1)} points`;

/** What the day makes of the formula: water to start with, temperature, dough, rests. */
export function TodayTicket({ plan, onWhy }: { plan: Plan; onWhy: (figure: TodayFigure) => void }) {
  const format = useFormat();
  const { today } = plan;
  if (!today) return null;
  const { liquid, hydration, cooling } = today;
  const line = plan.sheet.find(({ lineId }) => lineId === liquid?.lineId);
  const name = line?.name ?? 'Liquid';
  const stepG = line?.stepG ?? 1;
  const change = hydration.byMoisture + hydration.byLot;
  const { lot } = today.conditions;
  return (
    <Ticket>
      <Heading>{`${name} today`}</Heading>
      {liquid ? (
        <>
          <Ask onPress={() => onWhy('water')}>
            <Leader name="Start with" value={format.mass(liquid.startG, stepG)} tone="water" />
            <Leader name="Keep ready" value={format.mass(liquid.heldG, stepG)} aside="by feel" tone="water" />
            <WaterGauge
              label={`${name}, usual for this lot from ${format.mass(liquid.lowG, stepG)} to ${format.mass(liquid.highG, stepG)}`}
              startG={liquid.startG}
              nowG={liquid.startG}
              lowG={liquid.lowG}
              highG={liquid.highG}
              words={{
                low: format.mass(liquid.lowG, stepG),
                high: format.mass(liquid.highG, stepG),
                now: 'start',
              }}
            />
            <Label>
              {`${points(change)} against the formula’s ${formatPercent(hydration.formula, 1)}: flour at ${formatPercent(today.flourMoisture, 1)} moisture${lot ? `, ${lot.name} (${lot.offset.batches} ${lot.offset.batches === 1 ? 'batch' : 'batches'} learned from)` : ''}.`}
            </Label>
          </Ask>
          <Ask onPress={() => onWhy('liquidTemp')}>
            <Leader
              name={`${name} at`}
              value={liquid.ice && !liquid.reachable ? 'with ice' : format.temp(liquid.tempC)}
              tone={liquid.reachable || liquid.ice ? 'water' : 'plum'}
            />
          </Ask>
          {liquid.ice ? (
            <Strong tone="water">
              {`Colder than it comes: ${format.mass(liquid.ice.iceG, stepG)} of it as ice, ${format.mass(liquid.ice.liquidG, stepG)} at ${format.temp(today.conditions.liquidC)}.`}
            </Strong>
          ) : null}
          {liquid.reachable || liquid.ice ? null : (
            <Strong tone="plum">
              {`${format.temp(today.conditions.doughC ?? 0)} cannot be reached with ${name.toLowerCase()} alone. It gives at best ${format.temp(liquid.bestDoughC ?? 0)}${liquid.flourC === null ? '' : `; with flour at ${format.temp(liquid.flourC)} it would work`}.`}
            </Strong>
          )}
        </>
      ) : null}
      <View>
        <Ask onPress={() => onWhy('doughTemp')}>
          <Leader name="Dough comes out at" value={format.temp(today.doughC)} />
        </Ask>
        {cooling ? (
          <Ask onPress={() => onWhy('cooling')}>
            <Leader
              name={`Hot from scalding, ${format.temp(cooling.fromC)}: wait`}
              value={cooling.waitS === null ? 'the air is too warm' : formatSpan(cooling.waitS)}
              tone="plum"
            />
          </Ask>
        ) : null}
        {today.rests.map((rest, index) => (
          <Ask key={index} onPress={() => onWhy(`rest:${index}`)}>
            <Leader
              name={`Rest the ${plan.formula.method.rests[index]?.of ?? 'dough'}`}
              value={formatSpan(rest.earliestS)}
              aside={`to ${formatSpan(rest.latestS)}`}
            />
          </Ask>
        ))}
      </View>
      <Body tone="soot">Tap a figure to see why.</Body>
    </Ticket>
  );
}
