import { say } from '../../reader/say';
import { type DayPicture, type StockCurve, lastStart } from '@kettle-scale/core/shift';
import { Path } from 'react-native-svg';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import { scaleLinear } from 'd3-scale';
import { area, line as curve } from 'd3-shape';
import { useDays } from '../../shared/useDays';
import { Axis } from '../../ui/chart/Axis';
import { useStripWidth } from '../../ui/layout/useStripWidth';
import { Ticket } from '../../ui/layout/Ticket';
import { useColours } from '../../ui/theme';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';
import type { ServiceNow } from './useServiceDay';

const HEIGHT_PX = 150;
const LEFT_PX = 40;
const FOOT_PX = 28;
const TOP_PX = 10;
/** A slot in which it is likelier than this that somebody goes without is named. */
const RISKY = 0.1;

const PERCENT = 100;

/** When it is likeliest that somebody goes without; null where it hardly ever is. */
const worstSlot = ({ risk, band }: StockCurve): { at: number; share: number } | null => {
  const share = Math.max(0, ...risk);
  return share >= RISKY ? { at: band.at[risk.indexOf(share)] ?? 0, share } : null;
};

function Picture({ curve: { band, made }, now, name }: { curve: StockCurve; now: ServiceNow; name: string }) {
  const colours = useColours();
  const { clock } = useDays();
  const { width, onLayout } = useStripWidth();
  const most = Math.max(1, ...band.high, ...made);
  const at = band.at;
  const scaleX = scaleLinear([at[0] ?? 0, at.at(-1) ?? 1], [LEFT_PX, width - SPACE.m]);
  const scaleY = scaleLinear([0, most], [HEIGHT_PX - FOOT_PX, TOP_PX]).nice(3);
  const index = at.map((_, slot) => slot);
  const band90 = area<number>(
    (slot) => scaleX(at[slot] ?? 0),
    (slot) => scaleY(band.low[slot] ?? 0),
    (slot) => scaleY(band.high[slot] ?? 0),
  )(index);
  const drawn = (values: readonly number[]) =>
    curve<number>(
      (slot) => scaleX(at[slot] ?? 0),
      (slot) => scaleY(values[slot] ?? 0),
    )(index);
  const ticks = [at[0] ?? 0, at[Math.floor(at.length / 2)] ?? 0, at.at(-1) ?? 0];
  return (
    <View
      role="img"
      aria-label={say(
        '{name}: {at, number} made by the end; {at2, number} to {at3, number} wanted on eight days of ten.',
        { name, at: made.at(-1) ?? 0, at2: band.low.at(-1) ?? 0, at3: band.high.at(-1) ?? 0 },
      )}
      onLayout={onLayout}
      style={{ width: '100%', height: HEIGHT_PX }}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT_PX}>
          <Path d={band90 ?? ''} fill={colours.maize} opacity={0.45} />
          <Path
            d={drawn(band.middle) ?? ''}
            stroke={colours.soot}
            strokeWidth={2}
            strokeDasharray="5 4"
            fill="none"
          />
          <Path d={drawn(made) ?? ''} stroke={colours.ember} strokeWidth={3} fill="none" />
          <Axis side="left" scale={scaleY} ticks={scaleY.ticks(3)} at={LEFT_PX} rulesTo={width - SPACE.m} />
          <Axis
            side="bottom"
            scale={scaleX}
            ticks={ticks}
            format={(s) => clock(now.toMs(s))}
            at={HEIGHT_PX - FOOT_PX}
            line={[LEFT_PX, width - SPACE.m]}
          />
        </Svg>
      ) : null}
    </View>
  );
}

/** Ready pieces against what is wanted, bread by bread, and when somebody may go without. */
export function StockCurves({ now, picture }: { now: ServiceNow; picture: DayPicture }) {
  const { clock } = useDays();
  return (
    <Ticket>
      <Heading>Made and wanted</Heading>
      <Label>Pieces in all. Line: made. Band: wanted on eight days of ten; dashes: the middle.</Label>
      {picture.curves.map((one) => {
        const bread = now.line?.breads[one.bread];
        const name = bread?.name ?? bread?.id ?? '';
        const worst = worstSlot(one);
        const last = now.line ? lastStart(now.line, one) : null;
        return (
          <View key={one.bread} style={{ gap: SPACE.xs }}>
            <Heading>{name}</Heading>
            <Picture curve={one} now={now} name={name} />
            {worst ? (
              <Body tone="plum">
                {say('Around {clock} you run short on {percent, number} days of 100.', {
                  clock: clock(now.toMs(worst.at)),
                  percent: Math.round(PERCENT * worst.share),
                })}
              </Body>
            ) : (
              <Body tone="sage">Hardly ever short.</Body>
            )}
            {last === null ? null : (
              <Label>
                {say(
                  'Last start still worth it: {clock}; after it less than half of the smallest batch would be wanted.',
                  { clock: clock(now.toMs(last)) },
                )}
              </Label>
            )}
          </View>
        );
      })}
    </Ticket>
  );
}
