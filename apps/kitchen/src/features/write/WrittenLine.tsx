import { say } from '../../reader/say';
import { type Question, type ReadLine, answersOf } from '@kettle-scale/core/writing';
import { StyleSheet, View } from 'react-native';
import { useWriting } from '../../drafts/writing';
import { Action } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import type { CupAsked } from '../../shared/WeighOnceSheet';
import type { Words } from '@kettle-scale/core/message';

interface WrittenLineProps {
  line: ReadLine;
  flourG: number | null;
  onAnswer: (key: string, id: string) => void;
  /** Opens the whole catalogue for a question whose answers do not fit. */
  onOther: (key: string) => void;
  onWeigh: (cup: CupAsked) => void;
}

const styles = StyleSheet.create({
  facts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  question: { gap: SPACE.s, paddingTop: SPACE.s },
});

/** Grams fine enough for a pinch. */
const stepFor = (massG: number): number => (massG < 10 ? 0.1 : 1);

/** One line as it was understood: what, how many grams, how sure; and what it has to ask. */
export function WrittenLine({ line, flourG, onAnswer, onOther, onWeigh }: WrittenLineProps) {
  const format = useFormat();
  const { food, fill, onBread } = line;
  const mass = onBread ? null : line.mass;
  const shownG = onBread ? onBread.massG : mass?.typical;
  const figure = shownG ? format.massFigure(shownG, stepFor(shownG)) : { value: '?', unit: '' };
  const spread = mass && mass.high > mass.low * 1.005;
  const facts = [
    ...(onBread ? [say('{when}, not in the dough', { when: onBread.when })] : []),
    ...(spread
      ? [
          say('{mass} to {mass2}', {
            mass: format.mass(mass.low, stepFor(mass.low)),
            mass2: format.mass(mass.high, stepFor(mass.high)),
          }),
        ]
      : []),
    ...(mass && flourG
      ? [say('{typical} of flour', { typical: { share: mass.typical / flourG, decimals: 1 } })]
      : []),
    ...(line.tempC === null ? [] : [say('at {temp}', { temp: format.temp(line.tempC) })]),
    ...(line.holdBack > 0 && mass
      ? [say('hold back {mass}', { mass: format.mass(mass.typical * line.holdBack) })]
      : []),
    ...(line.note ? [line.note] : []),
  ];
  const weighable =
    fill !== null && line.questions.length === 0 && !line.measure?.loose && food.kind !== 'water';
  return (
    <Ticket>
      <Label>{line.text}</Label>
      <Leader
        name={food.name}
        value={figure.value}
        unit={figure.unit}
        tone={food.kind === 'water' || food.kind === 'dairy' ? 'water' : 'ink'}
      />
      <View style={styles.facts}>
        {facts.map((fact) => (
          <Body key={fact} tone="soot">
            {fact}
          </Body>
        ))}
      </View>
      {food.rolls === 'no' && food.note ? <Strong tone="plum">{food.note}</Strong> : null}
      <AskAgain text={line.text} />
      {line.questions.map((question) => (
        <OpenQuestion key={question.key} question={question} onAnswer={onAnswer} onOther={onOther} />
      ))}
      {weighable ? (
        <Action
          icon="bench"
          label="Weigh it once"
          hint={say('Weigh {name} once', { name: food.name })}
          onPress={() => onWeigh({ food, fill })}
        />
      ) : null}
    </Ticket>
  );
}

/** The answers of a line can be given anew. */
export function AskAgain({ text }: { text: string }) {
  const { answers, askAgain } = useWriting();
  const given = answersOf(answers, text);
  if (given.length === 0) return null;
  return (
    <Action
      label="Change the answer"
      hint={say('Change the answer: {text}', { text })}
      onPress={() => askAgain(given)}
    />
  );
}

interface OpenQuestionProps {
  question: Question;
  onAnswer: (key: string, id: string) => void;
  onOther: (key: string) => void;
}

/** Opens the whole catalogue instead of giving one of the answers. */
const OTHER = '*';

function OpenQuestion({ question: { key, kind, ask, answers }, onAnswer, onOther }: OpenQuestionProps) {
  const options = answers.map(({ id, words }): readonly [string, Words] => [id, words]);
  return (
    <View nativeID={questionId(key)} style={styles.question}>
      <Strong tone="ember">{ask}</Strong>
      <Choices
        quiet
        label={say(ask)}
        value={null}
        options={kind === 'ingredient' ? [...options, [OTHER, 'something else']] : options}
        onChange={(id) => (id === OTHER ? onOther(key) : onAnswer(key, id))}
      />
    </View>
  );
}

/** Where a question stands on the page. */
export const questionId = (key: string): string => `ask-${key}`;

interface UnknownLineProps {
  id: string;
  text: string;
  ask: string;
  onOther: () => void;
  onLeave: () => void;
}

/** A line that names nothing this kitchen knows. */
export function UnknownLine({ id, text, ask, onOther, onLeave }: UnknownLineProps) {
  return (
    <Ticket>
      <Label>{text}</Label>
      <View nativeID={id}>
        <Strong tone="ember">{ask}</Strong>
      </View>
      <Action
        label="Choose an ingredient"
        hint={say('{ask} Choose an ingredient', { ask })}
        onPress={onOther}
      />
      <Action label="Leave it out" hint={say('Leave out {text}', { text })} onPress={onLeave} />
    </Ticket>
  );
}
