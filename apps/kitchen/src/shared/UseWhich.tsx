import { opinionsWords, unsteadyWords } from '@kettle-scale/core/bake';
import type { TimesChosen } from '@kettle-scale/core/kitchen';
import { StyleSheet, View } from 'react-native';
import { useChooseTimes } from '../api/changes';
import { say } from '../reader/say';
import { PrimaryAction } from '../ui/input/actions';
import { Segments } from '../ui/input/Segments';
import { Screen } from '../ui/layout/Screen';
import { SPACE } from '../ui/tokens';
import { Body, Heading, Strong } from '../ui/type';
import type { BakeTimes } from './useBakeTimes';
import { plateName } from './useOwnSeconds';

const styles = StyleSheet.create({ lines: { gap: SPACE.s } });

const sum = (seconds: readonly number[]) => ({
  list: seconds.map((s) => Math.round(s)),
  glue: '\u00a0+\u00a0',
});

/** Both opinions in one line, the two answers, and how one is given; no line where there is nothing to choose. */
function useWhich(times: BakeTimes) {
  const choose = useChooseTimes();
  const { opinions, formulaId, question } = times;
  const words = opinions && opinionsWords(opinions, plateName(times));
  const options: [TimesChosen['use'], string][] = [
    ['formula', say('The formula’s {seconds}\u00a0s', { seconds: sum(opinions?.formula.seconds ?? []) })],
    ['here', say('Here {seconds}\u00a0s', { seconds: sum(opinions?.here?.seconds ?? []) })],
  ];
  return {
    words: words && say(words),
    unsteady: opinions && unsteadyWords(opinions),
    options,
    use: (use: TimesChosen['use']) =>
      choose.mutate({ formulaId, griddleId: question.griddle?.id ?? null, use }),
  };
}

/** How many pieces the seconds keep; where the steady ones keep clearly more, both in one line, and which of them to use. */
export function UseWhich({ times }: { times: BakeTimes }) {
  const { words, unsteady, options, use } = useWhich(times);
  if (!times.opinions) return null;
  const why = unsteady ? <Body tone="soot">{say(unsteady)}</Body> : null;
  if (!words) {
    const good = Math.round(100 * times.opinions.formula.share);
    return (
      why ?? (
        <Body tone="soot">
          {say('{good, number} of 100 pieces come out in standard with these.', { good })}
        </Body>
      )
    );
  }
  return (
    <View style={styles.lines} role="group" aria-label={say('Which seconds')}>
      <Strong>{words}</Strong>
      <Segments
        label={times.open ? 'Use which?' : 'In use'}
        labelled
        value={times.open ? null : times.use}
        options={options}
        onChange={use}
      />
      {why}
    </View>
  );
}

/** The same as a page of its own, before the first piece: nothing else is to be done until it is answered. */
export function AskWhich({ times, of }: { times: BakeTimes; of: string }) {
  const { words, unsteady, options, use } = useWhich(times);
  return (
    <Screen
      fill
      eyebrow={of}
      title="Use which?"
      foot={options.map(([option, label]) => (
        <PrimaryAction key={option} label={label} quiet={option === 'formula'} onPress={() => use(option)} />
      ))}
    >
      <View style={styles.lines}>
        <Heading>{words}</Heading>
        {unsteady ? <Body tone="soot">{say(unsteady)}</Body> : null}
        <Body tone="soot">
          It is asked once for this bread on this plate; its page and the griddle page change it.
        </Body>
      </View>
    </Screen>
  );
}
