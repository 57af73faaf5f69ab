import type { HandsNow } from '@kettle-scale/core/bake';
import { useEffect, useRef, useState } from 'react';
import { usePreferences } from '../../../reader/preferences';
import { type Spoken, useListening } from '../../../ui/listen';
import { speak, useVoice } from '../../../ui/voice';

interface LiveVoice {
  hands: HandsNow;
  /** What comes next and in how many seconds, as it stands at an instant, ms. */
  wordsAt: (nowMs: number) => string;
  /** The main act, as a pedal does it; none while there is none. */
  done: (() => void) | undefined;
  undo: () => void;
  /** The plate counts by itself, and says its acts by itself. */
  silent: boolean;
}

/**
 * The plate for the ear: what the hands do next is read aloud when it changes, not as its seconds go, and the four words do
 * here what they do at a step.
 * @returns what is on, with the way to stop each
 */
export function useLiveVoice({ hands, wordsAt, done, undo, silent }: LiveVoice) {
  const { listen, set } = usePreferences();
  const { act, piece, due, putNow } = hands;
  // A change of these is a new act; the seconds alone are not.
  const key = `${act}/${piece}/${due}/${putNow}`;
  const [words, setWords] = useState(() => wordsAt(Date.now()));
  const now = useRef(wordsAt);
  useEffect(() => {
    now.current = wordsAt;
  });
  useEffect(() => setWords(now.current(Date.now())), [key]);
  const voice = useVoice(silent ? '' : words);
  const tell = () => speak(wordsAt(Date.now()));
  const acts: Record<Spoken, () => void> = { done: () => done?.(), undo, howLong: tell, whatNext: tell };
  const listens = useListening(listen, (said) => acts[said]());
  return { voice, listens, stop: () => set({ listen: false }) };
}
