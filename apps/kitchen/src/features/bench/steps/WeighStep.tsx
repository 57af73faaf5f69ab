import type { Step } from '@kettle-scale/core/plan';
import { useState } from 'react';
import type { LiveBatch } from '../../../batch/useBatch';
import { usePreferences } from '../../../reader/preferences';
import { OffTarget } from './OffTarget';

import { tare, useScaleWeight } from './useScaleWeight';
import { KeyWeight } from './KeyWeight';
import { TakeWeight } from './TakeWeight';

/** Weigh one line: on the live scale, by confirming the planned mass, or by keying in what the scale showed. */
export function WeighStep({ live, step }: { live: LiveBatch; step: Step }) {
  const { plan } = live.batch;
  const { scale: wanted } = usePreferences();
  const [keying, setKeying] = useState(false);
  /** A weight off its target, waiting for the cook's choice. */
  const [doubtG, setDoubtG] = useState<number | null>(null);
  const [keyed, setKeyed] = useState(false);
  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  const bowl = live.state.bowls[(step.bowl ?? 1) - 1];
  const inBowl = bowl?.lines.find(({ lineId }) => lineId === step.lineId);
  // A gram of salt is nothing to the bench scale.
  const byScale = wanted && line?.scale === 'bench';
  const on = byScale && doubtG === null;
  const weight = useScaleWeight(live, step, on, inBowl?.weighedG ?? 0, !keying);
  if (!line || !bowl || !inBowl) return null;
  const part = { live, step, line, bowl, inBowl };
  if (doubtG !== null) {
    return (
      <OffTarget
        live={live}
        step={step}
        massG={doubtG}
        onAgain={() => {
          setDoubtG(null);
          if (!byScale) setKeying(true);
        }}
        onClear={() => setDoubtG(null)}
        onKey={
          keyed
            ? () => {
                setDoubtG(null);
                setKeying(true);
              }
            : null
        }
        onDone={() => {
          setDoubtG(null);
          if (byScale) void tare();
        }}
      />
    );
  }
  return keying ? (
    <KeyWeight
      {...part}
      onBack={() => setKeying(false)}
      onDoubt={(massG) => {
        setKeying(false);
        setKeyed(true);
        setDoubtG(massG);
      }}
    />
  ) : (
    <TakeWeight {...part} weight={weight} onKey={() => setKeying(true)} onDoubt={setDoubtG} />
  );
}
