import { figure } from '../../reader/figures';
import { say } from '../../reader/say';
import type { BakeMoment, BakeSeries } from '@kettle-scale/core/bake';
import { scaleLinear } from 'd3-scale';
import { Fragment, useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { Action } from '../../ui/input/actions';
import { RangeField } from '../../ui/input/RangeField';
import { useColours } from '../../ui/theme';
import { FONT, PAPER, SPACE } from '../../ui/tokens';
import { Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const PLATE_PX = 22;
const BREAD_PX = 150;
const GAP_PX = 26;
const TEXT_PX = 15;
const FRAME_MS = 100;
/** A crust is a layer drier than this, water per dry matter. */
const SKIN_WATER = 0.16;
const FRECKLES = 22;
const FRECKLE_PX = 8;
const BLISTER_COVER = 45;
const CRUST_PX = 10;
/** Bread is bread-coloured on iron and on paper: what is black on it stays black. */
const INK_ON_DOUGH = PAPER.ink;

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });

/** From cold dough to a browned crust. */
const heatColour = scaleLinear<string>()
  .domain([20, 70, 100, 150, 220])
  .range(['#C9DCE2', '#F3E2BC', '#E9BE62', '#D2692B', '#7A2A12'])
  .clamp(true);
const waterColour = scaleLinear<string>()
  .domain([0, 0.15, 0.7])
  .range(['#F7EFDD', '#CFE0E4', '#27637F'])
  .clamp(true);

/** The faces below and above. */
const facesOf = ({ down }: BakeMoment) => (down === 0 ? ([0, 1] as const) : ([1, 0] as const));

interface SliceProps {
  moment: BakeMoment;
  edgesMm: readonly number[];
  width: number;
}

/** The layers of the bread from the plate up: what has one colour is one path, for every part takes as long to draw as another. */
function Layers({ moment, edgesMm, width }: SliceProps) {
  const colours = useColours();
  const thickness = edgesMm.at(-1) ?? 1;
  const y = (mm: number) =>
    GAP_PX + (moment.down === 0 ? BREAD_PX - (mm / thickness) * BREAD_PX : (mm / thickness) * BREAD_PX);
  const half = width / 2;
  const bands = moment.profileC.map((tempC, i) => {
    const [a, b] = [y(edgesMm[i] ?? 0), y(edgesMm[i + 1] ?? 0)];
    return { top: Math.min(a, b), height: Math.abs(b - a) + 0.5, tempC, water: moment.profileWater[i] ?? 0 };
  });
  const crust = bands
    .filter(({ water }) => water < SKIN_WATER)
    .map(({ top, height }) => `M${half - CRUST_PX / 2},${top}h${CRUST_PX}v${height}h${-CRUST_PX}z`)
    .join('');
  return (
    <>
      {bands.map(({ top, height, tempC, water }, i) => (
        <Fragment key={i}>
          <Rect x={0} y={top} width={half} height={height} fill={heatColour(tempC)} />
          <Rect x={half} y={top} width={half} height={height} fill={waterColour(water)} />
        </Fragment>
      ))}
      <Path d={crust} fill={colours.crust} />
      <Line x1={half} x2={half} y1={GAP_PX} y2={GAP_PX + BREAD_PX} stroke={INK_ON_DOUGH} strokeWidth={1} />
    </>
  );
}

/** Freckles on both faces, those of one colour as one path: each a line of no length with round ends. */
function Freckles({ moment, width }: Omit<SliceProps, 'edgesMm'>) {
  const colours = useColours();
  const [below, above] = facesOf(moment);
  const edges = [
    [below, GAP_PX + BREAD_PX - FRECKLE_PX / 2],
    [above, GAP_PX + FRECKLE_PX / 2],
  ] as const;
  const all = edges.flatMap(([face, edge]) => {
    const count = Math.round((FRECKLES * (moment.cover[face] ?? 0)) / BLISTER_COVER);
    return Array.from({ length: count }, (_, i) => ({
      colour: moment.char[face] > 1 && i % 3 === 0 ? ('ink' as const) : ('crust' as const),
      d: `M${(((i * 0.618 + face * 0.3) % 1) * width).toFixed(1)},${edge}h0`,
    }));
  });
  const round = { strokeWidth: FRECKLE_PX, strokeLinecap: 'round', fill: 'none' } as const;
  const of = (colour: 'ink' | 'crust') => all.flatMap((one) => (one.colour === colour ? one.d : [])).join('');
  return (
    <>
      <Path d={of('crust')} stroke={colours.crust} {...round} />
      <Path d={of('ink')} stroke={INK_ON_DOUGH} {...round} />
    </>
  );
}

/** The slice on its plate. */
function Slice({ moment, edgesMm, width }: SliceProps) {
  const colours = useColours();
  const format = useFormat();
  const [below, above] = facesOf(moment);
  const height = GAP_PX * 2 + BREAD_PX + PLATE_PX;
  const label = (
    text: string,
    x: number,
    top: number,
    anchor: 'start' | 'end' = 'start',
    fill: string = colours.ink,
  ) => (
    <SvgText x={x} y={top} fontFamily={FONT.figure} fontSize={TEXT_PX + 2} fill={fill} textAnchor={anchor}>
      {text}
    </SvgText>
  );
  return (
    <Svg width={width} height={height}>
      <Layers {...{ moment, edgesMm, width }} />
      <Freckles {...{ moment, width }} />
      <Rect x={0} y={GAP_PX + BREAD_PX + 2} width={width} height={PLATE_PX} fill="#3A362F" />
      <SvgText
        x={8}
        y={GAP_PX + BREAD_PX + PLATE_PX - 3}
        fontFamily={FONT.figure}
        fontSize={TEXT_PX + 1}
        fill="#F6EEDF"
      >
        {say('plate {temp}, face on it {temp2}', {
          temp: format.temp(moment.plateC),
          temp2: format.temp(moment.faceC[below]),
        })}
      </SvgText>
      {label(say('face above {temp}', { temp: format.temp(moment.faceC[above]) }), 4, GAP_PX - 8)}
      {label(
        say('water left {moisture} %', { moisture: figure(moment.moisture) }),
        width - 4,
        GAP_PX - 8,
        'end',
      )}
      {label(
        say('middle {temp}', { temp: format.temp(moment.middleC) }),
        8,
        GAP_PX + BREAD_PX / 2 + 6,
        'start',
        INK_ON_DOUGH,
      )}
    </Svg>
  );
}

/** A moment that is chosen, or plays from the start to the end and again. */
function usePlayed(endS: number) {
  const [timeS, setTimeS] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return undefined;
    const timer = setInterval(
      () => setTimeS((was) => ((was ?? 0) + FRAME_MS / 1000 >= endS ? 0 : (was ?? 0) + FRAME_MS / 1000)),
      FRAME_MS,
    );
    return () => clearInterval(timer);
  }, [playing, endS]);
  return { timeS, setTimeS, playing, setPlaying };
}

/** The bread cut open while it bakes, drawn from the model: heat on the left, water on the right, freckles on its faces. */
export function CrossSection({ series }: { series: BakeSeries }) {
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const { moments, edgesMm } = series;
  const endS = moments.at(-1)?.timeS ?? 0;
  const { timeS, setTimeS, playing, setPlaying } = usePlayed(endS);
  const at = Math.min(timeS ?? endS, endS);
  const moment = moments.find((one) => one.timeS >= at - 1e-6) ?? moments.at(-1);
  if (!moment) return null;
  const thickness = edgesMm.at(-1) ?? 1;
  const [below, above] = facesOf(moment);
  const words = say(
    'After {time} s: plate {temp}, face below {temp2}, middle {temp3}, face above {temp4}, water left {moisture} %',
    {
      time: figure(moment.timeS),
      temp: format.temp(moment.plateC),
      temp2: format.temp(moment.faceC[below]),
      temp3: format.temp(moment.middleC),
      temp4: format.temp(moment.faceC[above]),
      moisture: figure(moment.moisture),
    },
  );
  return (
    <View style={styles.stack}>
      <View onLayout={onLayout} role="img" aria-label={words}>
        {width > 0 ? <Slice {...{ moment, edgesMm, width }} /> : null}
      </View>
      <Label>
        {say(
          'Cut through {length} of bread, drawn {breadPx, number} times as thick. Left heat, right water; brown in the middle is dry crust.',
          { length: format.length(thickness), breadPx: Math.round(BREAD_PX / (thickness * 3.8)) },
        )}
      </Label>
      <RangeField
        label={say('Side {stage, number}', { stage: moment.stage + 1 })}
        figure={{ value: figure(at, 1), unit: 's' }}
        {...{ value: at, min: 0, max: Number(endS.toFixed(1)), step: 0.1 }}
        onChange={(s) => {
          setPlaying(false);
          setTimeS(s);
        }}
      />
      <Action label={playing ? 'Stop' : 'Let it bake'} onPress={() => setPlaying((was) => !was)} />
    </View>
  );
}
