import { View } from 'react-native';
import Svg, { Circle, G } from 'react-native-svg';
import { useColours } from '../ui/theme';

export type SideName = 'raw' | 'pale' | 'light freckles' | 'freckles' | 'deep freckles' | 'burnt';

/** Where a plate marks a bread first: shares of the radius, and the size of the mark. */
const MARKS: readonly (readonly [x: number, y: number, r: number])[] = [
  [-0.38, -0.34, 0.13],
  [0.3, -0.42, 0.1],
  [0.1, 0.12, 0.12],
  [-0.5, 0.22, 0.09],
  [0.52, 0.16, 0.12],
  [-0.1, 0.56, 0.11],
  [-0.02, -0.66, 0.08],
  [0.36, 0.56, 0.09],
  [-0.22, -0.06, 0.07],
  [0.68, -0.22, 0.08],
  [-0.66, -0.14, 0.08],
  [-0.4, 0.58, 0.07],
  [0.08, -0.26, 0.08],
  [0.24, 0.34, 0.07],
];

/** How many marks each reference shows, how large and how dark: our own scale from raw to burnt. */
const LOOK: Record<SideName, { marks: number; grow: number; face: string; mark: string }> = {
  raw: { marks: 0, grow: 1, face: '#F6EBD2', mark: '#F6EBD2' },
  pale: { marks: 2, grow: 0.7, face: '#F1DFB4', mark: '#DDB46C' },
  'light freckles': { marks: 6, grow: 0.8, face: '#EFD9A6', mark: '#C48A3E' },
  freckles: { marks: 10, grow: 1, face: '#EBD19A', mark: '#A9682A' },
  'deep freckles': { marks: 14, grow: 1.3, face: '#DFBC7E', mark: '#7C431B' },
  burnt: { marks: 14, grow: 1.7, face: '#B98B52', mark: '#241A14' },
};

/** A face of a bread as a reference, to hold a real one against. */
export function SideSwatch({ side, px }: { side: SideName; px: number }) {
  const colours = useColours();
  const { marks, grow, face, mark } = LOOK[side];
  const r = px / 2 - 2;
  return (
    <View aria-hidden>
      <Svg width={px} height={px}>
        <Circle cx={px / 2} cy={px / 2} r={r} fill={face} stroke={colours.ink} strokeWidth={1.5} />
        <G>
          {MARKS.slice(0, marks).map(([x, y, size]) => (
            <Circle
              key={`${x}/${y}`}
              cx={px / 2 + x * r}
              cy={px / 2 + y * r}
              r={size * r * grow}
              fill={mark}
              opacity={0.85}
            />
          ))}
        </G>
      </Svg>
    </View>
  );
}
