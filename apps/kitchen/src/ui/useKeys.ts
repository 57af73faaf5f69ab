import { useEffect, useRef } from 'react';

/** What a foot pedal or a keyboard can do on a screen. */
export interface KeyActs {
  /** Space, Enter, Page Down. */
  primary?: (() => void) | undefined;
  /** Backspace. */
  undo?: (() => void) | undefined;
}

const KEYS: Record<string, keyof KeyActs> = {
  ' ': 'primary',
  Enter: 'primary',
  PageDown: 'primary',
  Backspace: 'undo',
};

const isTyping = (target: Element): boolean =>
  target.matches('input, textarea, select, [contenteditable="true"]');

/** A control reached with the keyboard keeps its own Space and Enter; one that was tapped does not hold them back. */
const activatesItself = (target: Element, key: string): boolean =>
  key !== 'PageDown' &&
  key !== 'Backspace' &&
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
      const target = event.target instanceof Element ? event.target : document.body;
      if (!act || event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
      if (isTyping(target) || activatesItself(target, event.key)) return;
      if (document.querySelector('[aria-modal="true"]')) return;
      const run = latest.current[act];
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
