import { say } from '../../reader/say';
import { SKILLS, type Skill } from '@kettle-scale/core/shift';
import { StyleSheet, View } from 'react-native';
import { ActionRow } from '../../ui/input/actions';
import { Check } from '../../ui/input/Choices';
import { FieldError } from '../../ui/input/Field';
import { WordField } from '../../ui/input/WordField';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading } from '../../ui/type';
import type { ServiceForm, ServiceText } from './serviceForm';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});

const SKILL_WORDS: Record<Skill, string> = {
  ...{ weigh: 'Weighs', load: 'Loads', knead: 'Kneads', divide: 'Divides', roll: 'Rolls', bake: 'Bakes' },
};

/** Who is on shift, and what each can do. */
export function Cooks({ form }: { form: ServiceForm }) {
  const { text, set, problem } = form;
  const put = (cooks: ServiceText['cooks']) => set({ cooks });
  const ids = new Set(text.cooks.map(({ id }) => id));
  let next = text.cooks.length + 1;
  while (ids.has(`cook-${next}`)) next += 1;
  return (
    <Ticket>
      <Heading>Cooks</Heading>
      {text.cooks.map((cook, at) => (
        <View key={cook.id} style={{ gap: SPACE.xs }}>
          <WordField
            name={`cooks.${at}.name`}
            label={say('Cook {at, number}', { at: at + 1 })}
            value={cook.name}
            onText={(name) => put(text.cooks.map((one, index) => (index === at ? { ...one, name } : one)))}
            error={problem(`cooks.${at}.name`)}
          />
          <View style={styles.row}>
            {SKILLS.map((skill) => (
              <Check
                key={skill}
                label={SKILL_WORDS[skill]}
                value={cook.can.includes(skill)}
                onChange={(on) =>
                  put(
                    text.cooks.map((one, index) =>
                      index === at
                        ? { ...one, can: on ? [...one.can, skill] : one.can.filter((had) => had !== skill) }
                        : one,
                    ),
                  )
                }
              />
            ))}
          </View>
        </View>
      ))}
      {problem('cooks') ? <FieldError id="cooks-error" message={problem('cooks') ?? ''} /> : null}
      <ActionRow
        actions={[
          {
            key: 'add',
            label: 'Add a cook',
            onPress: () =>
              put([
                ...text.cooks,
                { id: `cook-${next}`, name: say('Cook {next, number}', { next }), can: [...SKILLS] },
              ]),
          },
          {
            key: 'less',
            label: 'Remove a cook',
            disabled: text.cooks.length === 0,
            onPress: () => put(text.cooks.slice(0, -1)),
          },
        ]}
      />
    </Ticket>
  );
}
