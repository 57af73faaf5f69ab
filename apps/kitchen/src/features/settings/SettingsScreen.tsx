import { useAccess } from '../../api/phoneQueries';
import { useKitchen } from '../../api/queries';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { BackupTicket } from './BackupTicket';
import { CooksTicket } from './CooksTicket';
import { DeviceTicket } from './DeviceTicket';
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
  const kitchen = useKitchen();
  // A cook would only be refused, by a page without a way back.
  const mayBackUp = useAccess().data?.role !== 'cook';
  return (
    <Screen title="Settings">
      <DeviceTicket />
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
