import { say } from '../../reader/say';
import type { BakeWindow } from '@kettle-scale/core/bake';
import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { Ellipse, G, Line } from 'react-native-svg';
import { Axis } from '../../ui/chart/Axis';
import { useStripWidth } from '../../ui/layout/useStripWidth';
import { useColours } from '../../ui/theme';
import { useFormat } from '../../ui/useFormat';
import { Regions, type RegionsProps, type Scale, codeAt } from './WindowRegions';

const MARGIN = { left: 48, right: 12, top: 12, bottom: 46 } as const;
const TALLEST = 520;
const SHORTEST = 320;
const X_TICKS = 5;
interface Here {
  plateC: number;
  thicknessMm: number;
  sdC: number;
  sdMm: number;
}

interface WindowPictureProps {
  window: BakeWindow;
  here: Here;
  kinds: RegionsProps['kinds'];
}

/** The scales of a window; its outer places reach half a step beyond their middles. */
function scalesOf({ heatsC, thicknessesMm }: BakeWindow, width: number, height: number) {
  const ends = (values: readonly number[]): [number, number] => {
    const half = ((values[1] ?? 1) - (values[0] ?? 0)) / 2;
    return [(values[0] ?? 0) - half, (values.at(-1) ?? 1) + half];
  };
  return {
    x: scaleLinear(ends(heatsC), [MARGIN.left, width - MARGIN.right]),
    y: scaleLinear(ends(thicknessesMm), [height - MARGIN.bottom, MARGIN.top]),
  };
}

/** Heat along, thickness up: where good bread is, what lies beyond its edges, how long the first side takes, and where the kitchen stands. */
export function WindowPicture({ window, here, kinds }: WindowPictureProps) {
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const { heatsC, codes } = window;
  const height = Math.min(TALLEST, Math.max(SHORTEST, width * 0.8));
  const goodShare = Math.round((100 * codes.filter((code) => code === 0).length) / codes.length);
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={say(
        'Heat from {temp} to {temp2} against thickness: good bread on {goodShare, number} % of the picture. You are at {temp3} and {thickness}: {wordsAt}.',
        {
          temp: format.temp(heatsC[0] ?? 0),
          temp2: format.temp(heatsC.at(-1) ?? 0),
          goodShare,
          temp3: format.temp(here.plateC),
          thickness: format.thickness(here.thicknessMm),
          wordsAt: wordsAt(window, here, kinds),
        },
      )}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <Regions window={window} kinds={kinds} here={here} {...scalesOf(window, width, height)} />
          <HereMark here={here} {...scalesOf(window, width, height)} />
          <Axes {...scalesOf(window, width, height)} width={width} height={height} />
        </Svg>
      ) : null}
    </View>
  );
}

/** The kitchen's plate and thickness as a cross, and the ring that holds 19 of 20 pieces. */
function HereMark({ here, x, y }: { here: Here; x: Scale; y: Scale }) {
  const { surface } = useColours();
  const [cx, cy] = [x(here.plateC), y(here.thicknessMm)];
  const stroke = { stroke: surface, strokeWidth: 3 };
  return (
    <G>
      <Ellipse
        {...{ cx, cy }}
        rx={Math.max(LEAST_RING_PX, x(here.plateC + 2 * here.sdC) - cx)}
        ry={Math.max(LEAST_RING_PX, cy - y(here.thicknessMm + 2 * here.sdMm))}
        fill="none"
        {...stroke}
      />
      <Line x1={cx - CROSS_PX} x2={cx + CROSS_PX} y1={cy} y2={cy} {...stroke} />
      <Line x1={cx} x2={cx} y1={cy - CROSS_PX} y2={cy + CROSS_PX} {...stroke} />
    </G>
  );
}
const LEAST_RING_PX = 6;
const CROSS_PX = 7;

function Axes({ x, y, width, height }: { x: Scale; y: Scale; width: number; height: number }) {
  const format = useFormat();
  // Round figures of the reader's own units.
  const read = (scale: Scale, stored: string): Scale =>
    scaleLinear(
      scale.domain().map((value) => format.read(value, stored)),
      scale.range(),
    );
  const [heat, thickness] = [read(x, '°C'), read(y, 'mm')];
  return (
    <G>
      <Axis
        side="bottom"
        scale={heat}
        ticks={heat.ticks(X_TICKS)}
        label={{
          words: say('plate, {unitOf}', { unitOf: format.unitOf('°C') }),
          x: width - MARGIN.right,
          y: height - 6,
          end: true,
        }}
        at={height - MARGIN.bottom}
      />
      <Axis
        side="left"
        scale={thickness}
        ticks={thickness.ticks(X_TICKS)}
        label={{ words: say('thickness, {unitOf}', { unitOf: format.unitOf('mm') }), x: 4, y: height - 6 }}
        at={MARGIN.left}
      />
    </G>
  );
}

const wordsAt = (window: BakeWindow, here: Here, kinds: WindowPictureProps['kinds']): string =>
  kinds[codeAt(window, here.plateC, here.thicknessMm)]?.words ?? 'good bread';
