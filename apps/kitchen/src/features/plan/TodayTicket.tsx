import { formatSpan } from '../../reader/figures';
import { say } from '../../reader/say';
import type { Plan } from '@kettle-scale/core/plan';

import type { TodayFigure } from '@kettle-scale/core/explain';
import { View } from 'react-native';
import { Ask } from '../../ui/layout/Why';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { WaterGauge } from '../../shared/WaterGauge';

const points = (share: number): string => say({ points: share * 100, signed: true });

type Today = NonNullable<Plan['today']>;
interface LiquidProps {
  plan: Plan;
  today: Today;
  liquid: NonNullable<Today['liquid']>;
  name: string;
  onWhy: (figure: TodayFigure) => void;
}

/** The liquid of the day: what to start with, what to keep ready, and how warm. */
function LiquidToday({ plan, today, liquid, name, onWhy }: LiquidProps) {
  const format = useFormat();
  const { hydration } = today;
  const stepG = plan.sheet.find(({ lineId }) => lineId === liquid.lineId)?.stepG ?? 1;
  const isHeld = liquid.heldG >= stepG;
  // A formula that holds nothing back may need more all the same: nothing ready beside a range that goes higher misleads.
  const readyG = isHeld ? liquid.heldG : Math.max(0, liquid.highG - liquid.startG);
  const change = hydration.byMoisture + hydration.byLot;
  const { lot } = today.conditions;
  return (
    <>
      <Ask onPress={() => onWhy('water')}>
        <Leader name="Start with" value={format.mass(liquid.startG, stepG)} tone="water" />
        {readyG >= stepG ? (
          <Leader
            name="Keep ready"
            value={format.mass(readyG, stepG)}
            aside={isHeld ? 'by feel' : 'beyond the formula, by feel'}
            tone="water"
          />
        ) : null}
        <WaterGauge
          label={say('{name}, usual for this lot from {mass} to {mass2}', {
            name,
            mass: format.mass(liquid.lowG, stepG),
            mass2: format.mass(liquid.highG, stepG),
          })}
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
          {say(
            lot
              ? '{points} against the formula’s {formula}: flour at {moisture} moisture, {lot} ({batches, plural, one {# batch} other {# batches}} learned from).'
              : '{points} against the formula’s {formula}: flour at {moisture} moisture.',
            {
              points: points(change),
              formula: { share: hydration.formula, decimals: 1 },
              moisture: { share: today.flourMoisture, decimals: 1 },
              ...(lot ? { lot: { name: lot.name }, batches: lot.offset.batches } : {}),
            },
          )}
        </Label>
      </Ask>
      <Ask onPress={() => onWhy('liquidTemp')}>
        <Leader
          name={say('{name} at', { name })}
          value={liquid.ice && !liquid.reachable ? 'with ice' : format.temp(liquid.tempC)}
          tone={liquid.reachable || liquid.ice ? 'water' : 'plum'}
        />
      </Ask>
      {liquid.ice ? (
        <Strong tone="water">
          {say('Colder than it comes: {mass} of it as ice, {mass2} at {temp}.', {
            mass: format.mass(liquid.ice.iceG, stepG),
            mass2: format.mass(liquid.ice.liquidG, stepG),
            temp: format.temp(today.conditions.liquidC),
          })}
        </Strong>
      ) : null}
      {liquid.reachable || liquid.ice ? null : (
        <Strong tone="plum">
          {say('{temp} cannot be reached with {name} alone. It gives at best {temp2}{flour}.', {
            temp: format.temp(today.conditions.doughC ?? 0),
            name: { lower: name },
            temp2: format.temp(liquid.bestDoughC ?? 0),
            flour:
              liquid.flourC === null
                ? ''
                : say('; with flour at {temp} it would work', { temp: format.temp(liquid.flourC) }),
          })}
        </Strong>
      )}
    </>
  );
}

/** What the day makes of the formula: water to start with, temperature, dough, rests. */
export function TodayTicket({ plan, onWhy }: { plan: Plan; onWhy: (figure: TodayFigure) => void }) {
  const format = useFormat();
  const { today } = plan;
  if (!today) return null;
  const { liquid, cooling } = today;
  const line = plan.sheet.find(({ lineId }) => lineId === liquid?.lineId);
  const name = line?.name ?? 'Liquid';
  return (
    <Ticket>
      <Heading>{say('{name} today', { name })}</Heading>
      {liquid ? <LiquidToday {...{ plan, today, liquid, name, onWhy }} /> : null}
      <View>
        <Ask onPress={() => onWhy('doughTemp')}>
          <Leader name="Dough comes out at" value={format.temp(today.doughC)} />
        </Ask>
        {cooling ? (
          <Ask onPress={() => onWhy('cooling')}>
            <Leader
              name={say('Hot from scalding, {temp}: spread it for', { temp: format.temp(cooling.fromC) })}
              value={cooling.waitS === null ? 'the air is too warm' : formatSpan(cooling.waitS)}
              tone="plum"
            />
          </Ask>
        ) : null}
        {today.rests.map((rest, index) => (
          <Ask key={index} onPress={() => onWhy(`rest:${index}`)}>
            <Leader
              name={say('Rest the {of}', { of: plan.formula.method.rests[index]?.of ?? 'dough' })}
              value={formatSpan(rest.earliestS)}
              aside={
                rest.beyond
                  ? say('to {latest}; needs {needed}', {
                      latest: { s: rest.latestS },
                      needed: { s: rest.beyond.neededS },
                    })
                  : say('to {latest}', { latest: { s: rest.latestS } })
              }
            />
          </Ask>
        ))}
      </View>
      <Body tone="soot">Tap a figure to see why.</Body>
    </Ticket>
  );
}
