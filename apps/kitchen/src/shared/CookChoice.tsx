import { say } from '../reader/say';
import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { Text } from '../ui/Text';
import { chooseCook, useCook } from '../batch/cookHere';
import { Choices } from '../ui/input/Choices';
import { Press } from '../ui/input/Press';
import { Sheet } from '../ui/layout/Sheet';
import { useColours } from '../ui/theme';
import { CORNER, FONT, SPACE, TOUCH } from '../ui/tokens';
import { Body, Heading } from '../ui/type';

const styles = StyleSheet.create({
  mark: {
    minHeight: TOUCH.other,
    minWidth: TOUCH.other,
    maxWidth: 150,
    paddingHorizontal: SPACE.s,
    borderWidth: 1,
    borderRadius: CORNER,
    justifyContent: 'center',
    alignItems: 'center',
  },
  word: { fontFamily: FONT.strong, fontSize: 15, lineHeight: 18, textAlign: 'center' },
});

const NOBODY = 'nobody';

/** Who is working on this phone, each a tap; nothing where the kitchen has named nobody. */
export function CookChoice({ onChosen, asked = false }: { onChosen?: () => void; asked?: boolean }) {
  const { cooks, cook } = useCook();
  if (cooks.length === 0) return null;
  return (
    <Choices
      label="Who is working on this phone?"
      quiet={asked}
      value={cook?.id ?? null}
      options={[...cooks.map(({ id, name }) => [id, name] as const), [NOBODY, 'Nobody says'] as const]}
      onChange={(id) => {
        chooseCook(id === NOBODY ? null : id);
        onChosen?.();
      }}
    />
  );
}

/** The cook at work here, on a page that has no room for all of them: a tap shows who else it may be. */
export function CookMark() {
  const { cooks, cook } = useCook();
  const colours = useColours();
  const [open, setOpen] = useState(false);
  const close = () => setOpen(false);
  if (cooks.length === 0) return null;
  return (
    <>
      <Press
        role="button"
        aria-label={cook ? say('Cook: {name}', { name: { name: cook.name } }) : say('Who? Nobody has said')}
        onPress={() => setOpen(true)}
        style={[styles.mark, { borderColor: cook ? colours.rule : colours.ink }]}
      >
        <Text numberOfLines={2} style={[styles.word, { color: colours.ink }]}>
          {cook?.name ?? 'Who?'}
        </Text>
      </Press>
      <Sheet open={open} onClose={close} label="Who is working">
        <Heading>Who is working on this phone?</Heading>
        <CookChoice asked onChosen={close} />
        <Body tone="soot">What is done on this phone is kept under this name from now on.</Body>
      </Sheet>
    </>
  );
}
