import {
  type Node,
  type ParseError,
  findNodeAtLocation,
  getNodeValue,
  parseTree,
  printParseErrorCode,
} from 'jsonc-parser';
import { MOST_NESTED, deepest } from '../document/nesting';
import { type Words, message } from '../message/message';
import { InputError, type Problem } from '../message/problem';
import { segmentsOf } from './paths';

/** A JSON text with its values, and the line of any of them. */
export interface JsonFile {
  value: unknown;
  /** Line, from 1, of the value at a path, or of the nearest one around it. */
  lineOf: (path: string) => number;
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;

/** What the parser found, in words: "ValueExpected" is "value expected". */
const inWords = (code: string): string => code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/**
 * Reads JSON text, keeping where each value stands.
 * @throws InputError with the line of the first mistake
 */
export function readJson(text: string): JsonFile {
  if (deepest(text, MOST_NESTED) > MOST_NESTED) {
    throw new InputError([
      {
        path: '',
        message: onLine(1, message('it nests deeper than {most, number} levels.', { most: MOST_NESTED })),
        line: 1,
      },
    ]);
  }
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, { disallowComments: true, allowTrailingComma: false });
  const [first] = errors;
  if (first || !tree) {
    const line = lineAt(text, first?.offset ?? 0);
    const what = first ? inWords(printParseErrorCode(first.error)) : 'it is empty';
    throw new InputError([
      {
        path: '',
        message: onLine(line, message('this is not JSON ({what}).', { what: { name: what } })),
        line,
      },
    ]);
  }
  return {
    value: getNodeValue(tree),
    lineOf: (path) => {
      const segments = segmentsOf(path) ?? [];
      let node: Node | undefined;
      for (let depth = segments.length; depth >= 0 && !node; depth -= 1) {
        node = depth === 0 ? tree : findNodeAtLocation(tree, segments.slice(0, depth));
      }
      return lineAt(text, node?.offset ?? 0);
    },
  };
}

/** A problem with the line of the file that it stands on. */
export const onLine = (line: number, problem: Words): Words =>
  message('Line {line, number}: {problem}', { line, problem });

/** Runs a check of what a file holds; problems get the line they stand on, and say it. */
export function withLines<T>(lineOf: (path: string) => number, check: () => T): T {
  try {
    return check();
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(
      error.problems.map((problem): Problem => {
        const line = problem.line ?? lineOf(problem.path);
        return { ...problem, line, message: onLine(line, problem.message) };
      }),
    );
  }
}
