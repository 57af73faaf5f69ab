import { useQuery } from '@tanstack/react-query';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { useHearsHere } from '../../ui/listen';
import { language as spoken, offeredLanguages } from '../../reader/language';
import { usePreferences } from '../../reader/preferences';
import { Heading, Label } from '../../ui/type';
import { canSpeak } from '../../ui/voice';

/** In which language the app speaks to this person: each under its own name. */
function LanguageChoice() {
  const { data: offered = [] } = useQuery({ queryKey: ['languages'], queryFn: offeredLanguages });
  const set = usePreferences((state) => state.set);
  if (offered.length < 2) return null;
  return (
    <Segments
      labelled
      label="Language"
      value={spoken().language}
      options={offered.map(({ language, name }) => [language, name] as const)}
      onChange={(language) => set({ language })}
    />
  );
}

/** How this person reads, hears and speaks to the app on this device. */
export function DeviceTicket() {
  const { units, theme, sound, voice, listen, set } = usePreferences();
  const hears = useHearsHere();
  return (
    <Ticket>
      <Heading>This device</Heading>
      <LanguageChoice />
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
            ['off', 'Switched off'],
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
              ['off', 'Switched off'],
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
