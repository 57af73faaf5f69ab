import { type Words, message } from '@kettle-scale/core/message';
import type { CommanderError } from 'commander';

/** What stands in quotes in a message of the argument library: names as they were typed or declared. */
const QUOTED = /'([^']*)'/g;
/** What it allows instead, at the end of its message. */
const CHOICES = /Allowed choices are (.*)\.$/;

const unknown = (name = '') => message('There is no {name}.', { name: { name } });
const missing = (name = '') => message('{name} is missing.', { name: { name } });

const SAYS: Readonly<Record<string, (named: readonly string[], choices: string) => Words>> = {
  'commander.unknownOption': ([option]) => unknown(option),
  'commander.unknownCommand': ([command]) => unknown(command),
  'commander.missingArgument': ([argument]) => missing(argument && `<${argument}>`),
  'commander.missingMandatoryOptionValue': ([option]) => missing(option),
  'commander.optionMissingArgument': ([option]) => missing(option),
  'commander.excessArguments': ([command = '']) =>
    message('{command} takes fewer arguments.', { command: { name: command } }),
  'commander.invalidArgument': ([first = '', second = ''], choices) =>
    message('{first} does not go with {second}; it takes {choices}.', {
      first: { name: first },
      second: { name: second },
      choices: { name: choices },
    }),
};

/**
 * What was wrong with how the command was called, for its reader; the library says it in English alone.
 * @param error as the library threw it
 */
export function misuseWords({ code, message: said }: CommanderError): Words {
  const named = [...said.matchAll(QUOTED)].map(([, name = '']) => name);
  const says = SAYS[code];
  if (says) return says(named, CHOICES.exec(said)?.[1] ?? '');
  return said.replace(/^error: /, '').replace(/\s+/g, ' ');
}
