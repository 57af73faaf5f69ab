import { useEffect, useRef, useState } from 'react';
import { say } from '../reader/say';
import { isSpeaking } from './voice';

/** What can be said to a step. */
const SPOKEN = {
  done: ['done'],
  undo: ['undo'],
  howLong: ['how long'],
  whatNext: ['what next', "what's next", 'what is next'],
} as const;
export type Spoken = keyof typeof SPOKEN;

/** What a browser offers for speech; it is in no list of types yet. */
interface Recognizer {
  lang: string;
  continuous: boolean;
  processLocally: boolean;
  onresult:
    ((event: { resultIndex: number; results: ArrayLike<ArrayLike<{ transcript: string }>> }) => void) | null;
  onerror: ((event: { error: string }) => void) | null;
  onend: (() => void) | null;
  start: () => void;
  abort: () => void;
}
interface RecognizerType {
  new (): Recognizer;
  available?: (asked: { langs: string[]; processLocally: boolean }) => Promise<string>;
}

declare global {
  interface Window {
    SpeechRecognition?: RecognizerType;
  }
}

const language = (): string => document.documentElement.lang || 'en';

/** Whether this browser recognises speech on the device itself, now: it must never send away what is said in a kitchen. */
async function hearsHere(): Promise<boolean> {
  const type = typeof window === 'undefined' ? undefined : window.SpeechRecognition;
  if (!type?.available) return false;
  return (await type.available({ langs: [language()], processLocally: true })) === 'available';
}

/** The same, once it is known; false until then. */
export function useHearsHere(): boolean {
  const [hears, setHears] = useState(false);
  useEffect(() => {
    let shown = true;
    // A browser that will not say so does not.
    hearsHere().then(
      (does) => shown && does && setHears(true),
      () => undefined,
    );
    return () => {
      shown = false;
    };
  }, []);
  return hears;
}

/** The one thing that was said: nothing else, so that talk on the line does nothing. */
function spokenIn(heard: string): Spoken | null {
  const plain = (words: string) =>
    words
      .toLowerCase()
      .replace(/[^\p{L}' ]/gu, '')
      .trim();
  const said = plain(heard);
  const all = Object.entries(SPOKEN) as [Spoken, readonly string[]][];
  return all.find(([, words]) => words.some((word) => plain(say(word)) === said))?.[0] ?? null;
}

/** Errors after which listening again would only fail again. */
const FINAL: ReadonlySet<string> = new Set([
  'not-allowed',
  'service-not-allowed',
  'language-not-supported',
  'audio-capture',
]);
/** The browser stops listening after a silence, and is asked again then. */
const AGAIN_MS = 300;

/**
 * Listens for the words of a step while it is shown and asked to.
 * @returns whether it listens
 */
export function useListening(on: boolean, heard: (said: Spoken) => void): boolean {
  const hears = useHearsHere();
  const [failed, setFailed] = useState(false);
  const latest = useRef(heard);
  useEffect(() => {
    latest.current = heard;
  });
  const listens = on && hears && !failed;
  useEffect(() => {
    if (!listens || !window.SpeechRecognition) return;
    const recognizer = new window.SpeechRecognition();
    let again: ReturnType<typeof setTimeout> | undefined;
    Object.assign(recognizer, { lang: language(), continuous: true, processLocally: true });
    recognizer.onresult = ({ results, resultIndex }) => {
      const said = spokenIn(results[resultIndex]?.[0]?.transcript ?? '');
      // The app's own voice is not the cook's.
      if (said && !isSpeaking()) latest.current(said);
    };
    recognizer.onerror = ({ error }) => {
      if (FINAL.has(error)) setFailed(true);
    };
    recognizer.onend = () => {
      again = setTimeout(() => recognizer.start(), AGAIN_MS);
    };
    recognizer.start();
    return () => {
      clearTimeout(again);
      recognizer.onend = null;
      recognizer.abort();
    };
  }, [listens]);
  return listens;
}
