import { figure, formatPercent } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import type { FigureId } from '@kettle-scale/core/explain';
import type { Plan } from '@kettle-scale/core/plan';

import { StyleSheet, View } from 'react-native';
import { Leader, Ticket, TicketRule } from '../../ui/layout/Ticket';
import { Ask, AskWord } from '../../ui/layout/Why';
import { Body, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

const styles = StyleSheet.create({
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' },
});

/** What goes on the bread of the whole batch. */
function OnBread({ onBread, pieces }: { onBread: NonNullable<Plan['onBread']>; pieces: number }) {
  const format = useFormat();
  return (
    <View>
      <Label>{say('On the bread, for {pieces, number} pieces', { pieces })}</Label>
      {onBread.map(
        ({ lineId, name, note, when, gPerPiece, pieces: gets, massG, stepG, fraction, assumed }) => {
          const figure = format.massFigure(massG, stepG);
          return (
            <View key={lineId}>
              <Leader
                name={sayAll([name, note, when])}
                value={figure.value}
                unit={figure.unit}
                aside={formatPercent(fraction, 1)}
              />
              <Label>
                {say(
                  assumed
                    ? '{each} a piece, assumed: say how much in the formula'
                    : gets === undefined
                      ? '{each} a piece'
                      : '{each} a piece, {gets, number} of them',
                  { each: { g: gPerPiece, stepG: 0.1 }, gets: gets ?? 0 },
                )}
              </Label>
            </View>
          );
        },
      )}
      <TicketRule />
    </View>
  );
}

/** What to weigh in each bowl, with every figure open to question. */
export function WeighSheet({ plan, onWhy }: { plan: Plan; onWhy: (figure: FigureId) => void }) {
  const format = useFormat();
  const { bowls, rounding, holdBack, onBread = [] } = plan;
  const dough = format.massFigure(plan.bowlG, plan.kitchen.benchStepG);
  const liquid = plan.sheet.find(({ lineId }) => lineId === holdBack?.lineId);
  return (
    <Ticket>
      <View style={styles.head}>
        <Heading>Weigh sheet</Heading>
        <Label>{bowls === 1 ? 'one bowl' : say('for each of {bowls, number} bowls', { bowls })}</Label>
      </View>
      <View>
        {plan.sheet.map((line) => {
          const figure = format.massFigure(line.massG, line.stepG);
          const share = formatPercent(line.weighedFraction, 1);
          return (
            <Ask key={line.lineId} onPress={() => onWhy(`line:${line.lineId}`)}>
              <Leader
                name={sayAll([line.name, line.note])}
                value={figure.value}
                unit={figure.unit}
                aside={share}
                tone={line.kind === 'water' || line.kind === 'dairy' ? 'water' : 'ink'}
              />
            </Ask>
          );
        })}
        <TicketRule />
        <Ask onPress={() => onWhy(bowls === 1 ? 'dough' : 'bowls')}>
          <Leader
            name={bowls === 1 ? 'Dough' : 'Dough, one bowl'}
            value={dough.value}
            unit={dough.unit}
            aside={bowls === 1 ? `${plan.pieces} × ${format.massFigure(plan.ballG).value}` : `× ${bowls}`}
          />
        </Ask>
      </View>
      {onBread.length > 0 ? <OnBread {...{ onBread }} pieces={plan.pieces} /> : null}
      <Ask onPress={() => onWhy('ball')}>
        <Body>
          {say('Balls come to {mass} after losses in the bowl and on the bench.', {
            mass: format.ball(plan.expectedBallG, plan.kitchen.benchStepG),
          })}
        </Body>
      </Ask>
      {holdBack && liquid ? (
        <Ask onPress={() => onWhy('holdBack')}>
          <Body tone="water">
            {say('Hold back {mass} of the {name}, add it by feel.', {
              mass: format.mass(holdBack.massG, liquid.stepG),
              name: { lower: liquid.name },
            })}
          </Body>
        </Ask>
      ) : null}
      <Ask onPress={() => onWhy('rounding')}>
        <Label>
          {say(
            'Rounding moves no line by more than {worstRelativeError}, no percentage by more than {worstFractionError} points.',
            {
              worstRelativeError: { share: Math.abs(rounding.worstRelativeError), decimals: 2 },
              worstFractionError: figure(rounding.worstFractionError * 100, 2),
            },
          )}
        </Label>
        <AskWord>Why?</AskWord>
      </Ask>
    </Ticket>
  );
}
