import { say, sayAll } from '../../reader/say';
import { readClock } from '@kettle-scale/core/quantity';
import { StyleSheet, View } from 'react-native';
import { ActionRow } from '../../ui/input/actions';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading } from '../../ui/type';
import { BreadOrders } from './BreadOrders';
import { TextCell } from './TextCell';
import { WaveCurve } from './WaveCurve';
import { type ServiceForm, type ServiceText, type WaveText, clockProblem } from './serviceForm';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});

const WAVE_FIELDS = [
  ['opens', 'Opens'],
  ['peak', 'Peak'],
  ['closes', 'Closes'],
  ['pieces', 'Pieces'],
] as const;
interface BreadProps {
  form: ServiceForm;
  index: number;
  name: string;
}

/** What is wanted of one bread: waves as a curve that is dragged and as figures, and orders with their time. */
export function BreadWaves({ form, index, name }: BreadProps) {
  const { text, set, problem } = form;
  const bread = text.breads[index];
  if (!bread) return null;
  const bring = (changes: Partial<ServiceText['breads'][number]>) =>
    set({ breads: text.breads.map((one, at) => (at === index ? { ...one, ...changes } : one)) });
  const put = (waves: WaveText[]) => bring({ waves });
  const change = (wave: number, changes: Partial<WaveText>) =>
    put(bread.waves.map((one, at) => (at === wave ? { ...one, ...changes } : one)));
  const [from, to] = [readClock(text.serviceFrom) ?? 0, readClock(text.serviceTo) ?? 1];
  const last = bread.waves.at(-1);
  return (
    <Ticket>
      <Heading>{name}</Heading>
      {to > from ? <WaveCurve {...{ name, from, to }} waves={bread.waves} onChange={change} /> : null}
      {bread.waves.map((wave, at) => {
        const path = `breads.${index}.waves.${at}`;
        return (
          <View key={at} style={styles.row}>
            {WAVE_FIELDS.map(([field, words]) => (
              <TextCell
                key={field}
                name={`${path}.${field}`}
                label={sayAll([words, bread.waves.length > 1 && String(at + 1)], ' ')}
                value={wave[field]}
                onText={(typed) => change(at, { [field]: typed })}
                error={
                  field === 'pieces'
                    ? problem(`${path}.${field}`)
                    : clockProblem(wave[field], problem(`${path}.${field}`))
                }
              />
            ))}
          </View>
        );
      })}
      <ActionRow
        actions={[
          {
            key: 'add',
            label: 'Add a wave',
            hint: say('Add a wave of {name}', { name }),
            onPress: () =>
              put([
                ...bread.waves,
                last ?? {
                  opens: text.serviceFrom,
                  peak: text.serviceFrom,
                  closes: text.serviceTo,
                  pieces: '20',
                },
              ]),
          },
          {
            key: 'less',
            label: 'Remove a wave',
            hint: say('Remove a wave of {name}', { name }),
            disabled: bread.waves.length === 0,
            onPress: () => put(bread.waves.slice(0, -1)),
          },
        ]}
      />
      <BreadOrders
        {...{ form, index, name, orders: bread.orders, onChange: (orders) => bring({ orders }) }}
      />
    </Ticket>
  );
}
