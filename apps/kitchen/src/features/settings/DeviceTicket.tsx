import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { useHearsHere } from '../../ui/listen';
import { usePreferences } from '../../reader/preferences';
import { Heading, Label } from '../../ui/type';
import { canSpeak } from '../../ui/voice';

/** How this person reads, hears and speaks to the app on this device. */
export function DeviceTicket() {
  const { units, theme, sound, voice, listen, set } = usePreferences();
  const hears = useHearsHere();
  return (
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
      {hears ? (
        <>
          <Segments
            labelled
            label="Hands-free"
            value={listen ? 'on' : 'off'}
            options={[
              ['off', 'Off'],
              ['on', 'Listens on a step'],
            ]}
            onChange={(value) => set({ listen: value === 'on' })}
          />
          <Label>Say: done, undo, how long, what next. No sound leaves this device.</Label>
        </>
      ) : null}
    </Ticket>
  );
}
