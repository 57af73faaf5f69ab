import type { Language } from '@kettle-scale/core/message';
import { useEffect, useState } from 'react';
import { create } from 'zustand';
import { usePreferences } from './preferences';

/** The language that the product is written in: it needs no file. */
const SOURCE = 'en';

/** What is on offer beside the source: its tag and its own name. */
export interface Offered {
  language: string;
  name: string;
}

const ENGLISH: Language = { language: SOURCE, name: 'English', texts: {}, foods: {}, lists: {}, terms: [] };

const useSpoken = create<{ spoken: Language }>(() => ({ spoken: ENGLISH }));

/** The language that is spoken now. */
export const language = (): Language => useSpoken.getState().spoken;

/** How lists are written in that language; nothing for the source. */
export const wordsOfLists = (): Language | undefined => (language() === ENGLISH ? undefined : language());

async function fetched(file: string): Promise<unknown> {
  const answer = await fetch(`/languages/${file}.json`);
  if (!answer.ok) throw new Error(`There is no language ${file}.`);
  return answer.json();
}

/** The languages that this kitchen has files of, the source first. */
export async function offeredLanguages(): Promise<readonly Offered[]> {
  const others = (await fetched('index')) as Offered[];
  return [{ language: SOURCE, name: ENGLISH.name }, ...others];
}

const primary = (tag: string): string => tag.toLowerCase().split('-')[0] ?? '';

/**
 * The language for a person: the one chosen, else the first that the browser asks for and the kitchen has.
 * @param chosen BCP 47, or null
 * @param asked by the browser, most wanted first
 * @param offered languages that there are files of, the source among them
 */
export function languageFor(
  chosen: string | null,
  asked: readonly string[],
  offered: readonly string[],
): string {
  const wanted = chosen === null ? asked : [chosen];
  const found = wanted.map((tag) => offered.find((one) => primary(one) === primary(tag))).find(Boolean);
  return found ?? SOURCE;
}

/** Whether English is wanted first: nobody who reads it waits for a list of others. */
const isSource = (chosen: string | null): boolean =>
  primary(chosen ?? navigator.languages[0] ?? SOURCE) === SOURCE;

async function load(chosen: string | null): Promise<Language> {
  if (isSource(chosen)) return ENGLISH;
  const offered = await offeredLanguages();
  const tag = languageFor(
    chosen,
    navigator.languages,
    offered.map(({ language: one }) => one),
  );
  if (tag === SOURCE) return ENGLISH;
  // The build has held it against its schema; here that would cost the first page the whole of Zod.
  return (await fetched(tag)) as Language;
}

/** Speaks the person's language; the tag of what is spoken, null until that is known. */
export function useLanguage(): string | null {
  const chosen = usePreferences((state) => state.language);
  // English is there at once.
  const [ready, setReady] = useState(() => isSource(chosen));
  const spoken = useSpoken((state) => state.spoken);
  useEffect(() => {
    let wanted = true;
    const speak = (next: Language) => {
      if (!wanted) return;
      document.documentElement.lang = next.language;
      useSpoken.setState({ spoken: next });
      setReady(true);
    };
    // Without its file a language cannot be spoken: the source can.
    load(chosen).then(speak, () => speak(ENGLISH));
    return () => {
      wanted = false;
    };
  }, [chosen]);
  return ready ? spoken.language : null;
}
