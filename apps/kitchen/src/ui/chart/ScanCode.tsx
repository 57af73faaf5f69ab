import { say } from '../../reader/say';
import Svg, { Path, Rect } from 'react-native-svg';

interface ScanCodeProps {
  /** Row by row; `1` is dark. */
  squares: readonly string[];
  /** What it leads to. */
  label: string;
}

/** Cameras want this many light squares around a code. */
const MARGIN = 4;
const WIDTH_PX = 280;

/** A code to scan, dark on light in any look: cameras read no other. */
export function ScanCode({ squares, label }: ScanCodeProps) {
  const size = squares.length + 2 * MARGIN;
  // Whole pixels a square: anything else draws seams between them.
  const width = size * Math.floor(WIDTH_PX / size);
  const dark = squares
    .flatMap((row, y) =>
      [...row].flatMap((square, x) => (square === '1' ? [`M${x + MARGIN} ${y + MARGIN}h1v1h-1z`] : [])),
    )
    .join('');
  return (
    <Svg width={width} height={width} viewBox={`0 0 ${size} ${size}`} role="img" aria-label={say(label)}>
      <Rect width={size} height={size} fill="#fff" />
      <Path d={dark} fill="#000" />
    </Svg>
  );
}
