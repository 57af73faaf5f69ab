import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import {
  InputError,
  type Language,
  type Words,
  message,
  parseInput,
  writeAll,
  writeWords,
} from '@kettle-scale/core/message';
import { planRequestSchema } from '@kettle-scale/core/plan';
import { DOCUMENT_NAMES, type DocumentName, jsonSchemaOf, parseJson } from '@kettle-scale/core/document';
import { Argument, Command, CommanderError } from 'commander';
import { addBenchCommands } from './benchCommands';
import { addFormulaCommands } from './formulaCommands';
import { addGriddleCommands } from './griddleCommands';
import { addKeepingCommands } from './keepingCommands';
import { addLogCommands } from './logCommands';
import { planWithOpinions } from './planWithOpinions';
import { misuseWords } from './misuse';
import { addShiftCommands } from './shiftCommands';
import { type Asked, languageOf, languageOption, readerOf, speak, unitsOption } from './speaking';

interface Streams {
  out: (text: string) => void;
  err: (text: string) => void;
  /** Folder that file names start from: where the command was given. */
  from: string;
  /** Languages that it can tell things in, beside English. */
  languages: readonly Language[];
}

const STANDARD_INPUT = 0;
/** Exit code of a bad input or a wrong command. */
const BAD_INPUT = 2;
/** Exit code where it could not be done: the folder, the disk, or what nobody foresaw. */
const NOT_DONE = 1;

function readText(file: string, from: string): string {
  try {
    return readFileSync(file === '-' ? STANDARD_INPUT : resolve(from, file), 'utf8');
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (!code) throw error;
    throw InputError.at(
      '',
      code === 'ENOENT'
        ? message('There is no file “{file}”.', { file: { name: file } })
        : message('“{file}” cannot be read ({code}).', { file: { name: file }, code: { name: code } }),
    );
  }
}

/**
 * The command for scripts: documents in, documents out, all the work in core; and what keeps a kitchen's folder.
 * @returns the exit code: 0, 2 with one line on standard error naming the first field that is wrong, or 1 with one line that says
 * why it could not be done
 */
export async function runKettle(
  args: readonly string[],
  { out, err, from, languages }: Streams,
): Promise<number> {
  const print = (value: unknown) => out(`${JSON.stringify(value, null, 2)}\n`);
  const text = (file: string) => readText(file, from);
  const document = (file: string) => parseJson(text(file));

  const program = new Command('kettle')
    .description('Plans and checks flatbread formulas. Files are JSON; “-” is standard input.')
    .helpOption('-h, --help', 'explain this command')
    .helpCommand('help [command]', 'explain a command')
    .addOption(languageOption(languages))
    .addOption(unitsOption())
    .exitOverride()
    .configureOutput({ writeOut: out, writeErr: () => undefined });
  // What stands before the command is known when something is said.
  const reader = () => readerOf(program.opts<Asked>(), languages);
  const say = (words: Words) => writeWords(words, reader());
  const tell = (value: unknown) => print(writeAll(value, reader()));
  program
    .command('plan')
    .description(
      'print the plan of a plan request; where the formula’s seconds are not steady, with both opinions',
    )
    .argument('<file>')
    .action((file: string) => print(planWithOpinions(parseInput(planRequestSchema, document(file)))));
  addBenchCommands(program, { print: tell });
  const listWords = () => languageOf(program.opts<Asked>(), languages);
  const io = { out, print, tell, say, listWords, read: text, readJson: document };
  addFormulaCommands(program, io);
  addLogCommands(program, io);
  addGriddleCommands(program, io);
  addShiftCommands(program, io);
  addKeepingCommands(program, io, from);
  program
    .command('schema')
    .description('print the JSON Schema of a document')
    .addArgument(new Argument('<document>').choices(DOCUMENT_NAMES))
    .action((name: DocumentName) => print(jsonSchemaOf(name)));

  speak(program, say);

  try {
    await program.parseAsync([...args], { from: 'user' });
    return 0;
  } catch (error) {
    if (error instanceof InputError) {
      const [first, ...more] = error.problems;
      const also = more.length > 0 ? ` ${say(message('(and {n, number} more)', { n: more.length }))}` : '';
      const words = first ? say(first.message) : '';
      err(`${first?.path ? `${first.path}: ` : ''}${words}${also}\n`);
      return BAD_INPUT;
    }
    if (error instanceof CommanderError) {
      if (error.exitCode === 0) return 0;
      const names = program.commands.map((one) => one.name()).join(', ');
      const words =
        error.message === '(outputHelp)'
          ? message('Name a command: {commands}; --help explains them.', { commands: { name: names } })
          : misuseWords(error);
      err(`${say(words)}\n`);
      return BAD_INPUT;
    }
    // A stack of calls tells a person nothing; who looks for the fault asks for it.
    if (process.env.KETTLE_TRACE) throw error;
    err(`${(error as Error).message}\n`);
    return NOT_DONE;
  }
}
