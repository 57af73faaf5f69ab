import { say } from '../../../reader/say';
import type { Explanation } from '@kettle-scale/core/message';
import {
  type RobustTimes,
  type SolvedBake,
  limitWords,
  rangesOf,
  sensitivityWords,
  troubleWords,
  wayOutWords,
  whyNotWritten,
} from '@kettle-scale/core/bake';
import { memo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWork } from '../../../workers/useWork';
import { Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { Ask, AskWord, WhySheet } from '../../../ui/layout/Why';
import { UseWhich } from '../../../shared/UseWhich';
import { explainSeconds } from '../griddleText';
import type { GriddleSubject } from '../useGriddle';
import { useFormat } from '../../../ui/useFormat';

const FIGURE_PX = 84;
const MANY_SIDES = 3;

const styles = StyleSheet.create({
  sides: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  lines: { gap: SPACE.xs },
});

/** Other seconds are told of only where they keep clearly more. */
const CLEARLY = 0.03;
const better = ({ share, givenShare, seconds }: RobustTimes): string =>
  share - givenShare < CLEARLY
    ? ''
    : say(' With {map} s it would be {share, number}.', {
        map: { list: seconds.map((s) => Math.round(s)), glue: ' + ' },
        share: Math.round(100 * share),
      });

interface TimesTicketProps {
  subject: GriddleSubject;
  solved: SolvedBake;
}

/** How many pieces come out in standard with these seconds. */
function Keeps({ subject: { request, spreads }, solved: { seconds } }: TimesTicketProps) {
  const { data, isPlaceholderData, error } = useWork('robust', { request, spreads, seconds });
  const percent = (share: number) => say('{share, number} of 100', { share: Math.round(100 * share) });
  return (
    <Body>
      {data && !isPlaceholderData
        ? say(
            '{percent} pieces come out in standard with these, as balls, discs and plate spread here.{better}',
            { percent: percent(data.givenShare), better: better(data) },
          )
        : (error?.message ?? 'Working out how many pieces these keep …')}
    </Body>
  );
}

/** The seconds of each side, large, with their range; why they are not the formula's; what binds and what moves them. */
export const TimesTicket = memo(function TimesTicket({ subject, solved }: TimesTicketProps) {
  const format = useFormat();
  const [why, setWhy] = useState<Explanation | null>(null);
  const details = useWork('details', { request: subject.request, solution: solved });
  const { seconds } = solved;
  const ranges = solved.keepsSplit ? rangesOf(solved) : [];
  const differs = whyNotWritten({
    request: subject.request,
    shown: seconds,
    use: subject.times?.use ?? 'formula',
  });
  return (
    <Ticket>
      {solved.good ? (
        <>
          <View style={styles.sides}>
            {seconds.map((s, side) => (
              <Ask key={side} onPress={() => setWhy(explainSeconds(subject, solved, side, s, format.units))}>
                <Label>
                  {side < subject.formula.bake.sides.length
                    ? say('Side {side, number}', { side: side + 1 })
                    : 'Flame'}
                </Label>
                <Figure
                  value={String(Math.round(s))}
                  unit="s"
                  size={seconds.length > MANY_SIDES ? FIGURE_PX / 2 : FIGURE_PX}
                  tone="ember"
                />
                {ranges[side] ? <Label>{`${ranges[side]} s`}</Label> : null}
                <AskWord>{say('Why {s, number}?', { s: Math.round(s) })}</AskWord>
              </Ask>
            ))}
            {subject.formula.bake.finish && seconds.length === subject.formula.bake.sides.length ? (
              <View>
                <Label>{subject.formula.bake.finish.kind === 'flame' ? 'Flame' : 'Grill'}</Label>
                <Figure
                  value={String(subject.formula.bake.finish.seconds)}
                  unit="s"
                  size={FIGURE_PX}
                  tone="ember"
                />
              </View>
            ) : null}
          </View>
          {differs ? <Body>{differs}</Body> : null}
          {subject.asWritten && subject.times?.opinions ? (
            <UseWhich times={subject.times} />
          ) : (
            <Keeps {...{ subject, solved }} />
          )}
          <Body tone="soot">{limitWords(solved)}</Body>
          <View style={styles.lines}>
            {(details.data?.sensitivities ?? []).map((one) => (
              <Label key={one.what}>{sensitivityWords(one)}</Label>
            ))}
          </View>
        </>
      ) : (
        <View role="status" style={styles.lines}>
          <Heading tone="plum">{solved.trouble ? troubleWords(solved.trouble) : ''}</Heading>
          {(details.data?.waysOut ?? []).map((way) => (
            <Strong key={way.what}>{wayOutWords(way)}</Strong>
          ))}
          {details.data && details.data.waysOut.length === 0 ? (
            <Body>
              No single change helps: change heat and thickness together; the heat and thickness picture shows
              where.
            </Body>
          ) : null}
        </View>
      )}
      <WhySheet why={why} onClose={() => setWhy(null)} />
    </Ticket>
  );
});
