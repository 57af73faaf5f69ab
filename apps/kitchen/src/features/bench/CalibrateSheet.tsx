import { figure } from '../../reader/figures';
import { say } from '../../reader/say';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Rect } from 'react-native-svg';
import { Action, ActionRow, PrimaryAction } from '../../ui/input/actions';
import { Sheet } from '../../ui/layout/Sheet';
import { usePreferences } from '../../reader/preferences';
import { useColours } from '../../ui/theme';
import { Body, Heading, Label } from '../../ui/type';

/** A bank card is this size everywhere (ISO/IEC 7810 ID-1). */
const CARD_MM = { width: 85.6, height: 53.98, corner: 3.18 } as const;
const STEP = { fine: 0.005, coarse: 0.03 } as const;
const RANGE = { least: 2, most: 12 } as const;

/** A card on the glass, drawn larger or smaller until the real one covers it: from then on a millimetre is a millimetre. */
export function CalibrateSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const colours = useColours();
  const { pxPerMm, set } = usePreferences();
  const [now, setNow] = useState(pxPerMm);
  const scale = (by: number) => setNow((was) => Math.min(RANGE.most, Math.max(RANGE.least, was * (1 + by))));
  const [width, height] = [CARD_MM.width * now, CARD_MM.height * now];
  return (
    <Sheet open={open} onClose={onClose} label="True size on this screen">
      <Heading>Lay a bank card on this one</Heading>
      <Body tone="soot">
        Any card of the usual size. Make the drawn one larger or smaller until they match.
      </Body>
      <View
        style={{ alignItems: 'center', overflow: 'hidden' }}
        role="img"
        aria-label={say('Card, {width, number} px wide', { width: Math.round(width) })}
      >
        <Svg width={width} height={height}>
          <Rect
            x={1}
            y={1}
            width={width - 2}
            height={height - 2}
            rx={CARD_MM.corner * now}
            fill={colours.ground}
            stroke={colours.ink}
            strokeWidth={2}
          />
        </Svg>
      </View>
      <Label>{say('{now} px a millimetre', { now: figure(now, 2) })}</Label>
      <ActionRow
        actions={[
          { key: 'less-2', label: 'Much smaller', onPress: () => scale(-STEP.coarse) },
          { key: 'less', label: 'Smaller', onPress: () => scale(-STEP.fine) },
        ]}
      />
      <ActionRow
        actions={[
          { key: 'more', label: 'Larger', onPress: () => scale(STEP.fine) },
          { key: 'more-2', label: 'Much larger', onPress: () => scale(STEP.coarse) },
        ]}
      />
      <PrimaryAction
        label="They match"
        onPress={() => {
          set({ pxPerMm: now, calibrated: true });
          onClose();
        }}
      />
    </Sheet>
  );
}

export const Calibrate = ({ onPress, calibrated }: { onPress: () => void; calibrated: boolean }) => (
  <Action label={calibrated ? 'Check the size again' : 'Check the size'} onPress={onPress} />
);
