import { useEffect, useRef } from 'react';

/** What a foot pedal or a keyboard can do on a screen. */
export interface KeyActs {
  /** Space, Enter, Page Down. */
  primary?: (() => void) | undefined;
  /** Backspace, Page Up. */
  undo?: (() => void) | undefined;
  /** 1 to 9: a place on the griddle. */
  place?: ((place: number) => void) | undefined;
}

const KEYS: Record<string, Exclude<keyof KeyActs, 'place'>> = {
  ' ': 'primary',
  Enter: 'primary',
  PageDown: 'primary',
  Backspace: 'undo',
  PageUp: 'undo',
};

const isTyping = (target: Element): boolean =>
  target.matches('input, textarea, select, [contenteditable="true"]');

/** A control reached with the keyboard keeps its own Space and Enter; one that was tapped does not hold them back. */
const activatesItself = (target: Element, key: string): boolean =>
  (key === ' ' || key === 'Enter') &&
  target.matches(
    '[role="button"]:focus-visible, [role="radio"]:focus-visible, a:focus-visible, button:focus-visible',
  );

/** Listens for the keys of the whole screen while it is shown. */
export function useKeys(acts: KeyActs): void {
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const act = KEYS[event.key];
      const place = /^[1-9]$/.test(event.key) ? Number(event.key) : null;
      const target = event.target instanceof Element ? event.target : document.body;
      if ((!act && place === null) || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      if (isTyping(target) || activatesItself(target, event.key)) return;
      if (document.querySelector('[aria-modal="true"]')) return;
      const { place: onPlace } = latest.current;
      const run = act ? latest.current[act] : place !== null && onPlace ? () => onPlace(place) : undefined;
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
