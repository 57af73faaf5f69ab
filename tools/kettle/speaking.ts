import { ENGLISH, type Language, type Reader, type Words } from '@kettle-scale/core/message';
import { type Command, Option } from 'commander';
import { readerIn } from '../../apps/server/src/http/languages';

/** The options that say who reads what a command tells. */
export interface Asked {
  language: string;
  units: Reader['units'];
}

export const languageOption = (languages: readonly Language[]): Option =>
  new Option('--language <tag>', 'language of sentences, and of lists that are read')
    .choices([ENGLISH.locale, ...languages.map(({ language }) => language)])
    .default(ENGLISH.locale);

export const unitsOption = (): Option =>
  new Option('--units <system>', 'measures in sentences').choices(['metric', 'us']).default(ENGLISH.units);

/** The language that was asked for, unless it is the English that everything is written in. */
export const languageOf = ({ language }: Asked, languages: readonly Language[]): Language | undefined =>
  languages.find((one) => one.language === language);

export const readerOf = ({ language, units }: Asked, languages: readonly Language[]): Reader => ({
  ...readerIn(language, languages),
  units,
});

/** What stands above the parts of an explanation. */
const TITLES: readonly Words[] = ['Usage:', 'Arguments:', 'Options:', 'Commands:'];

/** Has a command and those below it explain themselves in the language that was asked for. */
export function speak(command: Command, say: (words: Words) => string): void {
  command.configureHelp({
    commandDescription: (one) => say(one.description()),
    subcommandDescription: (one) => say(one.description()),
    optionDescription: (one) => say(one.description),
    argumentDescription: (one) => say(one.description),
    styleTitle: (title) => (TITLES.includes(title) ? say(title) : title),
  });
  for (const one of command.commands) speak(one, say);
}
