import { ENGLISH, type Language, type Reader, languageSchema, parseInput } from '@kettle-scale/core/message';
import type { Request } from 'express';
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

/**
 * The languages that this kitchen has files of, beside the English that everything is written in.
 * @param folder with a file each
 * @throws InputError for a file that is no language
 */
export const readLanguages = (folder: string): Language[] =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((file) => file.endsWith('.json'))
        .map((file) => parseInput(languageSchema, JSON.parse(readFileSync(join(folder, file), 'utf8')), file))
    : [];

/** Who reads in a language; English where there is no file of it. */
export function readerIn(language: string, languages: readonly Language[]): Reader {
  const found = languages.find((one) => one.language === language);
  return found ? { ...ENGLISH, locale: found.language, texts: found.texts } : ENGLISH;
}

/** Who reads the answer to a request, by its Accept-Language. */
export function readerOf(request: Request, languages: readonly Language[]): Reader {
  const wanted = request.acceptsLanguages([ENGLISH.locale, ...languages.map(({ language }) => language)]);
  return readerIn(wanted || ENGLISH.locale, languages);
}
