import { say } from '../../reader/say';
import { HANDS, LAID_OUT, type Rest } from '@kettle-scale/core/formula';
import { HOLDINGS } from '@kettle-scale/core/kitchen';
import { StyleSheet, View } from 'react-native';
import { Action } from '../../ui/input/actions';
import { Check, Choices } from '../../ui/input/Choices';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading, Strong } from '../../ui/type';
import { DraftFigure, DraftWords } from './fields';
import { useEditing } from './editing';
import { KneadTicket } from './KneadTicket';
import { MixTicket } from './MixTicket';

const PER_MINUTE = 1 / 60;
const MOST_RESTS = 6;
const NEW_REST: Rest = { of: 'balls', where: 'room', earliestS: 900, latestS: 2700, cover: 'film' };

const LAID_WORDS: Record<(typeof LAID_OUT)[number], string> = {
  floured: 'all first, floured',
  'between sheets': 'all first, between sheets',
  'over the rim of a bowl': 'all first, over a bowl',
};

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' },
  half: { flex: 1, minWidth: 130 },
});

/** How discs are made, and what the bread is held in. */
function FlattenTicket() {
  const { draft, edit } = useEditing();
  const { method } = draft;
  return (
    <Ticket>
      <Heading>Flatten and hold</Heading>
      <Choices
        label="Flatten with"
        value={method.shaping.how}
        options={[
          ['pin', 'a pin'],
          ['hot-press', 'the hot press'],
          ['hand-stretch', 'the hands'],
          ['sheet-thin', 'the long pin, sheet-thin'],
          ['sheet-press', 'a press, between sheets'],
        ]}
        onChange={(how) => edit((d) => void (d.method.shaping.how = how))}
      />
      <Choices
        label="Divided with hands that are"
        value={method.hands ?? 'as they are'}
        options={[['as they are', 'as they are'], ...HANDS.map((one) => [one, one] as const)]}
        onChange={(hands) => edit((d) => void (d.method.hands = hands === 'as they are' ? undefined : hands))}
      />
      <Check
        label="balls pressed to coins before the last rest"
        value={method.shaping.coins ?? false}
        onChange={(coins) => edit((d) => void (d.method.shaping.coins = coins || undefined))}
      />
      <Choices
        label="Discs are made"
        value={method.shaping.laidOut ?? 'as they bake'}
        options={[
          ['as they bake', 'while others bake'],
          ...LAID_OUT.map((one) => [one, LAID_WORDS[one]] as const),
        ]}
        onChange={(laid) =>
          edit((d) => void (d.method.shaping.laidOut = laid === 'as they bake' ? undefined : laid))
        }
      />
      <Check
        label="With bench flour"
        value={method.shaping.benchFlour ?? false}
        onChange={(value) => edit((d) => void (d.method.shaping.benchFlour = value))}
      />
      <DraftWords
        label="How"
        path="method.shaping.note"
        value={method.shaping.note}
        rows={2}
        set={(d, text) => (d.method.shaping.note = text)}
      />
      <Choices
        label="Held in"
        value={method.holdIn ?? null}
        options={HOLDINGS.map((place) => [place, place])}
        onChange={(place) => edit((d) => void (d.method.holdIn = place))}
      />
      <DraftWords
        label="Holding, in words"
        path="method.hold"
        value={method.hold}
        rows={2}
        set={(d, text) => (d.method.hold = text)}
      />
    </Ticket>
  );
}

/** How the dough is made: school, water, kneading and its test, rests, shaping, holding. */
export function MethodTab() {
  const { draft, edit } = useEditing();
  const { method } = draft;
  return (
    <>
      <MixTicket />
      <KneadTicket />
      {method.rests.map((rest, index) => (
        <RestFields key={index} rest={rest} index={index} />
      ))}
      <Action
        label="Add a rest"
        icon="plus"
        disabled={method.rests.length >= MOST_RESTS}
        onPress={() => edit((d) => void d.method.rests.push({ ...NEW_REST }))}
      />
      <FlattenTicket />
    </>
  );
}

function RestFields({ rest, index }: { rest: Rest; index: number }) {
  const { edit } = useEditing();
  const path = `method.rests[${index}]`;
  const change = (act: (rest: Rest) => void) =>
    edit((draft) => {
      const found = draft.method.rests[index];
      if (found) act(found);
    });
  const set = (key: 'earliestS' | 'latestS') => (draft: { method: { rests: Rest[] } }, value: number) => {
    const found = draft.method.rests[index];
    if (found) found[key] = Math.round(value);
  };
  return (
    <Ticket>
      <Heading>{say('Rest {index, number}', { index: index + 1 })}</Heading>
      <Segments
        label={say('Rest {index, number} of', { index: index + 1 })}
        value={rest.of}
        options={[
          ['dough', 'Whole dough'],
          ['balls', 'Balls'],
        ]}
        onChange={(of) => change((r) => void (r.of = of))}
      />
      <Segments
        label={say('Rest {index, number} in', { index: index + 1 })}
        value={rest.where}
        options={[
          ['room', 'Room'],
          ['fridge', 'Fridge'],
        ]}
        onChange={(where) => change((r) => void (r.where = where))}
      />
      <View style={styles.row}>
        <DraftFigure
          label="Earliest"
          path={`${path}.earliestS`}
          unit="min"
          shown={PER_MINUTE}
          value={rest.earliestS}
          set={set('earliestS')}
          style={styles.half}
        />
        <DraftFigure
          label="Latest"
          path={`${path}.latestS`}
          unit="min"
          shown={PER_MINUTE}
          value={rest.latestS}
          set={set('latestS')}
          style={styles.half}
        />
      </View>
      <DraftWords
        label="Cover"
        path={`${path}.cover`}
        value={rest.cover}
        set={(draft, text) => {
          const found = draft.method.rests[index];
          if (found) found.cover = text;
        }}
      />
      {rest.where === 'fridge' ? (
        <Strong tone="soot">Airtight; cold dough must warm up before it is flattened.</Strong>
      ) : null}
      <Action
        label="Remove this rest"
        icon="trash"
        hint={say('Remove rest {index, number}', { index: index + 1 })}
        onPress={() => edit((draft) => void draft.method.rests.splice(index, 1))}
      />
    </Ticket>
  );
}
