import { useKitchen } from '../../api/queries';
import { ForLead } from '../../shared/ForLead';
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
  return (
    <Screen title="Settings">
      <DeviceTicket />
      <InstrumentsTicket />
      <KeptTicket />
      {kitchen.data ? (
        <>
          <ForLead instead="Scales, bowls, mixers, limits and people of the kitchen are changed by a lead.">
            <KitchenWays kitchen={kitchen.data} />
            <Mixers kitchen={kitchen.data} />
            <KitchenForm kitchen={kitchen.data} />
            <HoldLimits kitchen={kitchen.data} />
            <CooksTicket kitchen={kitchen.data} />
          </ForLead>
          <PhonesTicket />
          <ForLead>
            <BackupTicket />
          </ForLead>
          <ServerTicket />
        </>
      ) : (
        <Waiting what="the kitchen’s settings" error={kitchen.error} onRetry={() => void kitchen.refetch()} />
      )}
    </Screen>
  );
}
