import { useAccess } from '../../api/phoneQueries';
import { useKitchen } from '../../api/queries';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { canSpeak } from '../../ui/voice';
import { usePreferences } from '../../ui/preferences';
import { Heading } from '../../ui/type';
import { BackupTicket } from './BackupTicket';
import { CooksTicket } from './CooksTicket';
import { HoldLimits } from './HoldLimits';
import { InstrumentsTicket } from './InstrumentsTicket';
import { KeptTicket } from './KeptTicket';
import { KitchenForm } from './KitchenForm';
import { KitchenWays } from './KitchenWays';
import { Mixers } from './Mixers';
import { PhonesTicket } from './PhonesTicket';
import { ServerTicket } from './ServerTicket';

/** This person's units and look; the kitchen's scales, bowl and losses. */
export function SettingsScreen() {
  const { units, theme, sound, voice, set } = usePreferences();
  const kitchen = useKitchen();
  // A cook would only be refused, by a page without a way back.
  const mayBackUp = useAccess().data?.role !== 'cook';
  return (
    <Screen title="Settings">
      <Ticket>
        <Heading>This device</Heading>
        <Segments
          labelled
          label="Measures"
          value={units}
          options={[
            ['metric', 'g, mm, °C'],
            ['us', 'oz, in, °F'],
          ]}
          onChange={(value) => set({ units: value })}
        />
        <Segments
          labelled
          label="Look"
          value={theme ?? 'device'}
          options={[
            ['device', 'As the device'],
            ['paper', 'Paper'],
            ['iron', 'Iron (dark)'],
          ]}
          onChange={(value) => set({ theme: value === 'device' ? null : value })}
        />
        <Segments
          labelled
          label="Alarms"
          value={sound ? 'sound' : 'silent'}
          options={[
            ['sound', 'Sound and flash'],
            ['silent', 'Flash only'],
          ]}
          onChange={(value) => set({ sound: value === 'sound' })}
        />
        {canSpeak() ? (
          <Segments
            labelled
            label="Voice"
            value={voice ? 'on' : 'off'}
            options={[
              ['off', 'Off'],
              ['on', 'Reads the next act'],
            ]}
            onChange={(value) => set({ voice: value === 'on' })}
          />
        ) : null}
      </Ticket>
      <InstrumentsTicket />
      <KeptTicket />
      {kitchen.data ? (
        <>
          <KitchenWays kitchen={kitchen.data} />
          <Mixers kitchen={kitchen.data} />
          <KitchenForm kitchen={kitchen.data} />
          <HoldLimits kitchen={kitchen.data} />
          <CooksTicket kitchen={kitchen.data} />
          <PhonesTicket />
          {mayBackUp ? <BackupTicket /> : null}
          <ServerTicket />
        </>
      ) : (
        <Waiting what="the kitchen’s settings" error={kitchen.error} onRetry={() => void kitchen.refetch()} />
      )}
    </Screen>
  );
}
