import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';

import { batchRecord, restAfterDisc } from '@kettle-scale/core/batch';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View, useWindowDimensions } from 'react-native';
import { discThicknessMm, measuredDisc } from '@kettle-scale/core/portion';
import { type LiveBatch, useBatch } from '../../batch/useBatch';
import { PrimaryAction } from '../../ui/input/actions';
import { Waiting } from '../../ui/layout/Notice';
import { usePreferences } from '../../reader/preferences';
import { Screen } from '../../ui/layout/Screen';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useNow } from '../../ui/useNow';
import { Calibrate, CalibrateSheet } from './CalibrateSheet';
import { MeasureDisc } from './MeasureDisc';
import { TrueDisc } from './TrueDisc';

const PICTURE_SHARE = 0.36;
const DEFAULT_TOLERANCE = 0.03;
/** Thickness that varies by more than this is worth a word. */
const UNEVEN = 0.08;
const OVAL = 0.03;
/** Less than this is not worth waiting for, s. */
const WORTH_RESTING_S = 30;

/** What the last disc that was measured came to; null before the first. */
function useMeasured({ batch: { plan }, state }: LiveBatch) {
  const nowMs = useNow(60_000);
  const last = state.discs.at(-1);
  if (!last) return null;
  const disc = measuredDisc(last.diametersMm, last.thicknessesMm);
  const ballG = batchRecord(plan, state).ballG ?? plan.ballG;
  const springBack = last.rolledMm ? Math.max(0, 1 - disc.diameterMm / last.rolledMm) : null;
  return {
    ...{ disc, springBack },
    byWeightMm: discThicknessMm(ballG, disc.diameterMm, plan.doughDensityGMl),
    moreS: springBack === null ? 0 : restAfterDisc(plan, state, springBack, nowMs),
  };
}

type MeasuredDisc = NonNullable<ReturnType<typeof useMeasured>>;

/** What to do after it. */
function Verdict({ disc, springBack, moreS }: MeasuredDisc) {
  return (
    <View role="status">
      {moreS > WORTH_RESTING_S ? (
        <Strong tone="plum">
          {say('Springs back: rest the others {more} more.', { more: { s: moreS } })}
        </Strong>
      ) : disc.outOfRound > OVAL ? (
        <Strong tone="plum">
          {say('Oval by {outOfRound}: turn between strokes.', {
            outOfRound: { share: disc.outOfRound, decimals: 1 },
          })}
        </Strong>
      ) : springBack === null ? null : (
        <Strong tone="sage">Relaxed enough: roll the rest.</Strong>
      )}
    </View>
  );
}

/** Its figures, those of the plan below them. */
function Measured({ live, measured }: { live: LiveBatch; measured: MeasuredDisc }) {
  const format = useFormat();
  const { plan } = live.batch;
  const { disc, springBack, byWeightMm } = measured;
  const { thickness } = disc;
  return (
    <Ticket>
      <Heading>{say('Disc {length, number}, as it lies', { length: live.state.discs.length })}</Heading>
      <View>
        <Leader
          name="Diameter, mean of two"
          value={format.length(disc.diameterMm)}
          aside={format.length(plan.relaxed.diameterMm)}
        />
        <Leader
          name="Thickness by its weight"
          value={format.length(byWeightMm)}
          aside={format.length(plan.relaxed.thicknessMm)}
        />
        {thickness ? (
          <>
            <Leader name="Thickness, measured" value={format.length(thickness.meanMm)} />
            <Leader
              name={say('Thinnest, {place}', { place: thickness.thinnest.place })}
              value={format.length(thickness.thinnest.mm)}
              tone={thickness.unevenness > UNEVEN ? 'plum' : 'ink'}
            />
            <Leader name="Uneven by" value={formatPercent(thickness.unevenness, 1)} />
          </>
        ) : null}
        <Leader name="Oval by" value={formatPercent(disc.outOfRound, 1)} />
        {springBack === null ? null : (
          <Leader
            name="Sprang back"
            value={formatPercent(springBack, 1)}
            aside={formatPercent(plan.formula.product.springBack)}
          />
        )}
      </View>
      <Label>measured (planned below it)</Label>
    </Ticket>
  );
}

function DiscPage({ live }: { live: LiveBatch }) {
  const router = useRouter();
  const format = useFormat();
  const { height } = useWindowDimensions();
  const { pxPerMm, calibrated } = usePreferences();
  const [calibrating, setCalibrating] = useState(false);
  const measured = useMeasured(live);
  const calibrate = <Calibrate calibrated={calibrated} onPress={() => setCalibrating(true)} />;
  const { plan, id } = live.batch;
  const { diameterMm } = plan.relaxed;
  const toleranceMm = plan.formula.product.diameterToleranceMm ?? diameterMm * DEFAULT_TOLERANCE;
  return (
    <Screen
      eyebrow={plan.formula.name}
      title={say(calibrated ? '{length}, true size' : '{length}, size unchecked', {
        length: format.length(diameterMm),
      })}
      foot={<PrimaryAction label="Back to the batch" quiet onPress={() => router.replace(`/bench/${id}`)} />}
    >
      <TrueDisc
        diameterMm={diameterMm}
        toleranceMm={toleranceMm}
        pxPerMm={pxPerMm}
        height={Math.round(height * PICTURE_SHARE)}
      />
      {calibrated ? (
        <Body tone="soot">
          {say('Within the dashes it is right (± {length}).', { length: format.length(toleranceMm) })}
        </Body>
      ) : (
        calibrate
      )}
      <MeasureDisc
        live={live}
        verdict={measured ? <Verdict {...measured} /> : null}
        more={
          <>
            {measured ? <Measured {...{ live, measured }} /> : null}
            {calibrated ? calibrate : null}
          </>
        }
      />
      {calibrating ? <CalibrateSheet open onClose={() => setCalibrating(false)} /> : null}
    </Screen>
  );
}

/** The disc in true size, and what a ruler says of a real one. */
export function DiscScreen({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  if (live) return <DiscPage live={live} />;
  return (
    <Screen title="Disc">
      <Waiting what="the batch" error={error} onRetry={retry} />
    </Screen>
  );
}
