import { say } from '../../reader/say';
import type { EventOf } from '@kettle-scale/core/batch';
import { type Disc, EVEN_DISC, measuredDisc, profileThickness } from '@kettle-scale/core/portion';
import { View } from 'react-native';
import Svg, { G, Path } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useColours } from '../../ui/theme';
import { FONT } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { useStripWidth } from '../../ui/layout/useStripWidth';

/** Thickness is drawn this many times larger than width: a true edge would be a hair. */
const TALLER = 12;
const ROW = 44;
const TEXT_W = 96;

interface Props {
  rolled: Disc;
  relaxed: Disc;
  measured: EventOf<'disc-measured'> | null;
}

/** A disc cut through, rolled and sprung back, with the edge as the last measured one had it. */
export function EdgeSection({ rolled, relaxed, measured }: Props) {
  const colours = useColours();
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const seen = measured ? measuredDisc(measured.diametersMm, measured.thicknessesMm) : null;
  const profile = seen?.thickness?.profile ?? EVEN_DISC;
  const pxPerMm = (width - TEXT_W) / Math.max(rolled.diameterMm, relaxed.diameterMm);
  const rows = [
    { name: 'rolled', disc: rolled },
    { name: 'sprung back', disc: relaxed },
  ];
  const section = ({ diameterMm, thicknessMm }: Disc, base: number): string => {
    const { middleMm, rimMm } = profileThickness(thicknessMm, profile);
    const [w, mid, rim] = [diameterMm * pxPerMm, middleMm * pxPerMm * TALLER, rimMm * pxPerMm * TALLER];
    const x0 = (width - TEXT_W - w) / 2;
    const inX = (w / 2) * profile.rim;
    return `M${x0} ${base}V${base - rim}L${x0 + inX} ${base - mid}H${x0 + w - inX}L${x0 + w} ${base - rim}V${base}Z`;
  };
  const thinnest = profileThickness(relaxed.thicknessMm, profile).thinnestMm;
  return (
    <View
      role="img"
      aria-label={say('Cut through: rolled {length}, sprung back {length2}, thinnest {length3}', {
        length: format.length(rolled.thicknessMm),
        length2: format.length(relaxed.thicknessMm),
        length3: format.length(thinnest),
      })}
      onLayout={onLayout}
      style={{ width: '100%', height: ROW * 2 }}
    >
      {width > TEXT_W ? (
        <Svg width={width} height={ROW * 2}>
          {rows.map(({ name, disc }, row) => (
            <G key={name}>
              <Path
                d={section(disc, ROW * (row + 1) - 8)}
                fill={colours.dough}
                stroke={colours.ink}
                strokeWidth={1.5}
              />
              <SvgText
                x={width}
                y={ROW * (row + 1) - 22}
                textAnchor="end"
                fontFamily={FONT.text}
                fontSize={14}
                fill={colours.soot}
              >
                {name}
              </SvgText>
              <SvgText
                x={width}
                y={ROW * (row + 1) - 6}
                textAnchor="end"
                fontFamily={FONT.figure}
                fontSize={17}
                fill={colours.ink}
              >
                {format.length(disc.thicknessMm)}
              </SvgText>
            </G>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
