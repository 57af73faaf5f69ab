import { explainSpread } from '@kettle-scale/core/explain';
import { listKind, listWarnings } from '@kettle-scale/core/writing';
import { useCallback, useMemo, useState } from 'react';
import { StyleSheet, View, useWindowDimensions } from 'react-native';
import { KIND_KEY, saidKind, useWriting } from '../../drafts/writing';
import { KindChoice } from '../../shared/KindChoice';
import { Action } from '../../ui/input/actions';
import { HydrationChart } from '../../shared/chart';
import { spreadText } from '../../shared/spreadText';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../ui/type';
import { useWide } from '../../ui/layout/useWide';
import { type CupAsked } from '../../shared/WeighOnceSheet';
import { Ask, WhySheet } from '../../ui/layout/Why';
import { AskAgain, UnknownLine, WrittenLine, questionId } from './WrittenLine';
import { type Reading } from './useReading';
import { say } from '../../reader/say';

const COLUMN_PX = 520;
const TICKET_PADDING = 2 * SPACE.m;

const styles = StyleSheet.create({ stack: { gap: SPACE.m } });

interface UnderstoodProps {
  list: Reading['list'];
  spread: Reading['spread'];
  /** Another ingredient is meant than those offered. */
  onOther: (key: string) => void;
  /** A cup is to be weighed once. */
  onWeigh: (cup: CupAsked) => void;
}

/** The list as it was understood: hydration with its spread, each line with its questions. */
export function Understood({ list, spread, onOther, onWeigh }: UnderstoodProps) {
  const wide = useWide();
  const { width } = useWindowDimensions();
  const { answers, answer: addAnswers } = useWriting();
  const [why, setWhy] = useState(false);
  const said = saidKind(answers);
  const kind = said ?? listKind(list);
  const warnings = useMemo(() => listWarnings(list, kind), [list, kind]);
  const closeWhy = useCallback(() => setWhy(false), []);
  const answer = (key: string, id: string) => addAnswers({ [key]: id });
  const takeUsual = () =>
    addAnswers(Object.fromEntries(list.questions.map(({ key, answers: [first] }) => [key, first?.id ?? ''])));
  const pictureWidth =
    Math.min(wide ? COLUMN_PX : width, width) - TICKET_PADDING - (wide ? 0 : TICKET_PADDING);
  return (
    <View style={styles.stack} role="region" aria-label={say('As read')}>
      {spread ? (
        <Ticket>
          <Heading>Hydration, as measured</Heading>
          <Ask onPress={() => setWhy(true)}>
            <Figure value={spreadText(spread)} size={32} tone="water" />
          </Ask>
          <HydrationChart spread={spread} kind={kind} width={pictureWidth} />
        </Ticket>
      ) : null}
      {list.flourG ? (
        <KindChoice
          kind={kind}
          guessed={said === undefined}
          onChange={(chosen) => answer(KIND_KEY, chosen)}
        />
      ) : null}
      {warnings.length > 0 ? (
        <View role="status">
          {warnings.map((words) => (
            <Body key={say(words)} tone="plum">
              {words}
            </Body>
          ))}
        </View>
      ) : null}
      {list.questions.length > 1 ? (
        <Action label="Use the first answer to every question" onPress={takeUsual} />
      ) : null}
      {list.lines.map((line) => (
        <WrittenLine
          key={line.index}
          line={line}
          flourG={list.flourG}
          onAnswer={answer}
          onOther={onOther}
          onWeigh={onWeigh}
        />
      ))}
      {list.unknown.map(({ index, text: words, key, ask }) => (
        <UnknownLine
          key={index}
          id={questionId(key)}
          text={words}
          ask={say(ask)}
          onOther={() => onOther(key)}
          onLeave={() => answer(key, 'leave-out')}
        />
      ))}
      {list.remarks.length > 0 ? (
        <View>
          <Label>Kept as a note, not weighed</Label>
          {list.remarks.map(({ index, text: words, kind }) => (
            <View key={index}>
              <Body tone="soot">{words}</Body>
              {kind === 'left-out' ? <AskAgain text={words} /> : null}
            </View>
          ))}
        </View>
      ) : null}
      <WhySheet why={why && spread ? explainSpread(spread) : null} onClose={closeWhy} />
    </View>
  );
}
