import { type Formula, checkFormula, compareFormulas } from '@kettle-scale/core/formula';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { InputError, message, parseInput } from '@kettle-scale/core/message';
import type { Measures } from '@kettle-scale/core/quantity';
import { readList, readingDocument } from '@kettle-scale/core/writing';
import { bookToCsv, readFormulaFile, recipeOf } from '@kettle-scale/core/exchange';
import { type Command, Option } from 'commander';
import { z } from 'zod';
import type { Io } from './io';

const answersSchema = z.record(z.string(), z.string());
const TARGETS = ['json', 'csv', 'jsonld'] as const;
type Target = (typeof TARGETS)[number];

interface ParseOptions {
  measures: Measures;
  name?: string;
  answers?: string;
}

/** The one formula of a file of any format. */
function oneFormula(text: string, file: string): Formula {
  const { formulas, lists } = readFormulaFile(text, CATALOGUE);
  const [formula] = formulas;
  if (formula && formulas.length === 1 && lists.length === 0) return formula;
  throw InputError.at(
    '',
    formulas.length > 1
      ? message('“{file}” holds {n, number} formulas; name a file with one.', {
          file: { name: file },
          n: formulas.length,
        })
      : message('“{file}” is a list in words; make it a formula with “formula parse” first.', {
          file: { name: file },
        }),
  );
}

/** Text out of a list file: a plain list, or the ingredient lines of a recipe. */
function listIn(text: string): { text: string; name: string } {
  const { lists } = readFormulaFile(text, CATALOGUE);
  const [list] = lists;
  return list ? { text: `${list.text}\n${list.notes}`, name: list.name } : { text, name: '' };
}

/** Adds the commands that work on formulas. */
export function addFormulaCommands(
  program: Command,
  { print, tell, out, read, readJson, listWords }: Io,
): void {
  const formula = program.command('formula').description('work on formulas');
  formula
    .command('check')
    .description('validate a formula; print effective hydration, fat and warnings')
    .argument('<file>')
    .action((file: string) => {
      const { formula: checked, ...rest } = checkFormula(readJson(file));
      tell({ formula: checked.id, name: checked.name, ...rest });
    });
  formula
    .command('parse')
    .description(
      'read a list as people write it, or a recipe; print the formula and the questions it leaves open',
    )
    .argument('<file>')
    .addOption(new Option('--measures <system>', 'cups and spoons').choices(['us', 'metric']).default('us'))
    .option('--name <name>', 'what the formula is called')
    .option('--answers <file>', 'JSON object of question keys to answer ids')
    .action((file: string, { measures, name, answers }: ParseOptions) => {
      const list = listIn(read(file));
      const given = answers === undefined ? {} : parseInput(answersSchema, readJson(answers), 'answers');
      const reading = readList(list.text, { foods: CATALOGUE, measures, answers: given, words: listWords() });
      if (reading.lines.length + reading.unknown.length === 0) {
        throw InputError.at('', 'No line of this text names an ingredient.');
      }
      const called = name ?? list.name;
      tell(readingDocument(reading, { text: list.text, ...(called ? { name: called } : {}) }));
    });
  formula
    .command('convert')
    .description('write a formula or a whole book in another open format')
    .argument('<file>')
    .addOption(new Option('--to <format>', 'format to write').choices(TARGETS).makeOptionMandatory())
    .action((file: string, { to }: { to: Target }) => {
      const { lists, ...book } = readFormulaFile(read(file), CATALOGUE);
      if (lists.length > 0) oneFormula(read(file), file);
      const foods = [...CATALOGUE, ...book.ingredients];
      const [first] = book.formulas;
      const single = book.formulas.length === 1 && book.ingredients.length + book.archived.length === 0;
      const recipes = () => book.formulas.map((entry) => recipeOf(entry, foods));
      const write: Record<Target, () => void> = {
        csv: () => out(bookToCsv(book, CATALOGUE)),
        json: () => print(single ? first : { format: 'kettle-scale/book', formatVersion: 1, ...book }),
        jsonld: () =>
          print(single ? recipes()[0] : { '@context': 'https://schema.org', '@graph': recipes() }),
      };
      write[to]();
    });
  formula
    .command('compare')
    .description('list what differs between two formulas, line by line')
    .argument('<before>')
    .argument('<after>')
    .action((before: string, after: string) => {
      const [a, b] = [oneFormula(read(before), before), oneFormula(read(after), after)];
      const foods = [...CATALOGUE, ...(a.ingredients ?? []), ...(b.ingredients ?? [])];
      const differences = compareFormulas(a, b, foods);
      tell({
        before: { id: a.id, version: a.version },
        after: { id: b.id, version: b.version },
        differences,
      });
    });
}
