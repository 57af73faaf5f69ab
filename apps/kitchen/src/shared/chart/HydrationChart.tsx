import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';
import { type HydrationSpread, type KindOfBread, USUAL_DOUGH } from '@kettle-scale/core/formula';

import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Press } from '../../ui/input/Press';
import Svg, { G, Line, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { Axis } from '../../ui/chart/Axis';
import { spreadText } from '../spreadText';
import { useColours } from '../../ui/theme';
import { Table } from '../../ui/layout/Table';
import { FONT, TOUCH } from '../../ui/tokens';
import { Body, Label, Strong } from '../../ui/type';
import { AskWord } from '../../ui/layout/Why';

const ROW = 34;
const TOP = 44;
const AXIS = 30;
/** From this width on there is room for more figures. */
const WIDE_PX = 500;
/** Beyond this many causes the rest is too small to see. */
const MOST_CAUSES = 4;
const LEAST_SHARE = 0.005;

const styles = StyleSheet.create({ ask: { minHeight: TOUCH.other, justifyContent: 'center' } });

/** The line that does most, in words, and all of them as a table. */
function SpreadWords({
  spread,
  first,
}: {
  spread: HydrationSpread;
  first: HydrationSpread['causes'][number] | undefined;
}) {
  const [asTable, setAsTable] = useState(false);
  const { hydration, worst } = spread;
  return (
    <>
      {first ? (
        <Body>
          <Strong>{first.food.name}</Strong>
          {say(
            ' measured by volume or piece causes most of the spread. At worst the dough is between {low} and {high}.',
            { low: { share: worst.low }, high: { share: worst.high } },
          )}
        </Body>
      ) : (
        <Label>Every line that matters is weighed, so nothing can be off.</Label>
      )}
      {first ? (
        <Press role="button" aria-expanded={asTable} onPress={() => setAsTable(!asTable)} style={styles.ask}>
          <AskWord>{asTable ? 'Hide the table' : 'As a table'}</AskWord>
        </Press>
      ) : null}
      {asTable ? (
        <Table
          label="Hydration by what is uncertain"
          columns={['Only this off', 'least', 'most']}
          rows={[
            ...spread.causes.map(({ food, low, high }) => [
              food.name,
              formatPercent(low, 1),
              formatPercent(high, 1),
            ]),
            ['All together', formatPercent(hydration.low, 1), formatPercent(hydration.high, 1)],
            ['All in the worst direction', formatPercent(worst.low, 1), formatPercent(worst.high, 1)],
          ]}
        />
      ) : null}
    </>
  );
}

interface HydrationChartProps {
  spread: HydrationSpread;
  /** Its usual range is drawn behind. */
  kind: KindOfBread;
  width: number;
}

/** How far the hydration can be off, and which line does it: one bar for the dough, one for each cause. */
export default function HydrationChart({ spread, kind, width }: HydrationChartProps) {
  const usual = USUAL_DOUGH[kind].hydration;
  const colours = useColours();
  const { hydration } = spread;
  const causes = spread.causes.filter(({ share }) => share >= LEAST_SHARE).slice(0, MOST_CAUSES);
  const least = Math.min(usual.low - 0.02, hydration.low - 0.01, ...causes.map(({ low }) => low - 0.01));
  const most = Math.max(usual.high + 0.02, hydration.high + 0.01, ...causes.map(({ high }) => high + 0.01));
  const x = scaleLinear([Math.max(0, least), most], [2, width - 2]);
  const height = TOP + 14 + causes.length * ROW + AXIS;
  const [first] = causes;
  const bar = (key: string, y: number, low: number, high: number, thick: number, fill: string) => (
    <Rect key={key} x={x(low)} y={y} width={Math.max(3, x(high) - x(low))} height={thick} fill={fill} />
  );
  const base = TOP + 14 + causes.length * ROW;
  return (
    <View>
      <View
        role="img"
        aria-label={say('Hydration {spreadText}{first}', {
          spreadText: spreadText(spread),
          first: first ? say(', mostly because of the {name}', { name: { lower: first.food.name } }) : '',
        })}
      >
        <Svg width={width} height={height}>
          <Rect
            x={x(usual.low)}
            y={14}
            width={x(usual.high) - x(usual.low)}
            height={base - 14}
            fill={colours.rule}
            opacity={0.45}
          />
          <SvgText x={x(usual.low) + 4} y={11} fontFamily={FONT.text} fontSize={13} fill={colours.soot}>
            {say('usual for {kind}', { kind })}
          </SvgText>
          {bar('dough', 20, hydration.low, hydration.high, 20, colours.water)}
          <Line
            x1={x(hydration.typical)}
            x2={x(hydration.typical)}
            y1={14}
            y2={base}
            stroke={colours.ink}
            strokeWidth={2}
          />
          {causes.map(({ id, food, low, high, share }, index) => {
            const y = TOP + 14 + index * ROW;
            return (
              <G key={id}>
                <SvgText x={2} y={y} fontFamily={FONT.text} fontSize={14} fill={colours.ink}>
                  {say('{name}: {share, number} % of it', {
                    name: food.name,
                    share: Math.round(share * 100),
                  })}
                </SvgText>
                {bar(id, y + 5, low, high, 10, colours.maize)}
              </G>
            );
          })}
          <Axis
            side="bottom"
            scale={x}
            ticks={x.ticks(width > WIDE_PX ? 8 : 5)}
            format={(share) => formatPercent(share)}
            at={base}
            line={[2, width - 2]}
          />
        </Svg>
      </View>
      <SpreadWords spread={spread} first={first} />
    </View>
  );
}
