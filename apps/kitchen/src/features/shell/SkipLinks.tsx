import { say } from '../../reader/say';
import { createElement, useState } from 'react';
import { useColours } from '../../ui/theme';
import { FONT, SPACE } from '../../ui/tokens';

/** The page that is in sight; those behind it stay mounted. */
const pageInSight = (): HTMLElement | null =>
  [...document.querySelectorAll<HTMLElement>('[data-page]')].find((page) => page.offsetParent !== null) ??
  null;

/** The main action of that page: the last button of its foot. */
const mainAction = (): HTMLElement | null =>
  [...document.querySelectorAll<HTMLElement>('[data-foot] [role=button], [data-foot] button')]
    .filter((button) => button.offsetParent !== null)
    .at(-1) ?? null;

const LINKS = [
  ['Skip to the page', pageInSight],
  ['Skip to the main action', mainAction],
] as const;

/** Past the navigation, for whoever goes by keyboard; each is seen only while it has the focus. */
export const SkipLinks = () =>
  LINKS.map(([words, target]) => <SkipLink key={words} {...{ words, target }} />);

interface SkipLinkProps {
  words: string;
  target: () => HTMLElement | null;
}

function SkipLink({ words, target }: SkipLinkProps) {
  const colours = useColours();
  const [seen, setSeen] = useState(false);
  return createElement(
    'a',
    {
      href: '#page',
      onFocus: () => setSeen(true),
      onBlur: () => setSeen(false),
      onClick: (event: Event) => {
        event.preventDefault();
        target()?.focus();
      },
      style: {
        position: 'absolute',
        zIndex: 10,
        top: seen ? SPACE.s : -100,
        left: SPACE.s,
        padding: SPACE.m,
        fontFamily: FONT.strong,
        fontSize: 16,
        color: colours.ground,
        backgroundColor: colours.ink,
      },
    },
    say(words),
  );
}
