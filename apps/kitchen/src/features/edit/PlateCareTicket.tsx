import { say } from '../../reader/say';
import { type Draft, PLATE_CARES, type PlateCare } from '@kettle-scale/core/formula';
import { View } from 'react-native';
import { Check } from '../../ui/input/Choices';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading } from '../../ui/type';
import { DraftFigure } from './fields';
import { useEditing } from './editing';

const USUAL_EVERY = 3;

const changed = (draft: Draft, what: PlateCare['what'], on: boolean): void => {
  const others = (draft.bake.care ?? []).filter((care) => care.what !== what);
  const care = on ? [...others, { what, every: USUAL_EVERY }] : others;
  if (care.length > 0) draft.bake.care = care;
  else delete draft.bake.care;
};

/** What is done for the plate between pieces; an oiled, wetted or wiped plate lets the bread go. */
export function PlateCareTicket() {
  const { draft, edit } = useEditing();
  const care = draft.bake.care ?? [];
  return (
    <Ticket>
      <Heading>Between pieces</Heading>
      {PLATE_CARES.map((what) => {
        const index = care.findIndex((one) => one.what === what);
        return (
          <View key={what}>
            <Check label={what} value={index >= 0} onChange={(on) => edit((d) => changed(d, what, on))} />
            {index >= 0 ? (
              <DraftFigure
                label={say('{what}: every', { what })}
                path={`bake.care[${index}].every`}
                unit="pieces"
                decimals={0}
                value={care[index]?.every}
                set={(d, value) => {
                  const found = d.bake.care?.[index];
                  if (found) found.every = Math.round(value);
                }}
              />
            ) : null}
          </View>
        );
      })}
    </Ticket>
  );
}
