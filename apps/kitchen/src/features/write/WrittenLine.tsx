import { formatPercent } from '@kettle-scale/core/quantity';
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
    ...(onBread ? [`${onBread.when}, not in the dough`] : []),
    ...(spread
      ? [`${format.mass(mass.low, stepFor(mass.low))} to ${format.mass(mass.high, stepFor(mass.high))}`]
      : []),
    ...(mass && flourG ? [`${formatPercent(mass.typical / flourG, 1)} of flour`] : []),
    ...(line.tempC === null ? [] : [`at ${format.temp(line.tempC)}`]),
    ...(line.holdBack > 0 && mass ? [`keep back ${format.mass(mass.typical * line.holdBack)}`] : []),
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
          hint={`Weigh ${food.name} once`}
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
      label="Ask this line again"
      hint={`Ask this line again: ${text}`}
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
  const options = answers.map(({ id, words }): readonly [string, string] => [id, words]);
  return (
    <View nativeID={questionId(key)} style={styles.question}>
      <Strong tone="ember">{ask}</Strong>
      <Choices
        quiet
        label={ask}
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
      <Action label="Choose an ingredient" hint={`${ask} Choose an ingredient`} onPress={onOther} />
      <Action label="Leave it out" hint={`Leave out ${text}`} onPress={onLeave} />
    </Ticket>
  );
}
