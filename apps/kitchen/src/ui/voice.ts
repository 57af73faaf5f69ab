import type { Words } from '@kettle-scale/core/message';
import { useEffect } from 'react';
import { usePreferences, useUnits } from '../reader/preferences';
import { say } from '../reader/say';

/** Whether this browser can speak. */
export const canSpeak = (): boolean => typeof window !== 'undefined' && 'speechSynthesis' in window;

const beQuiet = (): void => {
  if (canSpeak()) window.speechSynthesis.cancel();
};

/** A microphone still hears the room for a moment after the last word, ms. */
const ECHO_MS = 500;
let spokeUntilMs = 0;

/** Whether the app is speaking, or has only just stopped. */
export const isSpeaking = (): boolean =>
  canSpeak() && (window.speechSynthesis.speaking || performance.now() < spokeUntilMs);

/** Says words instead of what is being said; nothing where the browser cannot speak. */
export function speak(words: string): void {
  if (!canSpeak()) return;
  beQuiet();
  const spoken = new SpeechSynthesisUtterance(words);
  spoken.lang = document.documentElement.lang || 'en';
  spoken.onend = () => (spokeUntilMs = performance.now() + ECHO_MS);
  window.speechSynthesis.speak(spoken);
}

/** Reads words aloud when they change, where the person has switched that on; silent when the screen is left. */
export function useVoice(words: Words): { on: boolean; quiet: () => void } {
  const { voice, set } = usePreferences();
  useUnits();
  const on = voice && canSpeak();
  const spoken = say(words);
  useEffect(() => {
    if (on) speak(spoken);
  }, [on, spoken]);
  useEffect(() => beQuiet, []);
  return {
    on,
    quiet: () => {
      beQuiet();
      set({ voice: false });
    },
  };
}
