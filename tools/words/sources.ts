import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';
import { filesBelow, hashOf } from '../files.mjs';
import { ROOT } from '../install.mjs';

/** The workspaces whose sentences a reader meets. */
const PROJECTS = ['apps/server', 'apps/kitchen', 'packages/core', 'tools'];
const SPOKEN = /^(packages\/core\/src|apps\/(server|kitchen)\/(src|app)|tools\/kettle)\//;
const TEST = /\.test\.tsx?$|\/test\/|\.json$/;
/** Patterns of what people write, page styles and names of files: nothing that is said. */
const UNSPOKEN =
  /^packages\/core\/src\/(writing\/(tidyLine|hints|amountAt|amountUnits|matchIngredient|asking)|quantity\/units|exchange\/csv)/;
/** The functions that take a text of the catalogue first. */
const SAYERS = new Set(['say', 'message']);
/** What these take are names and patterns. */
const PLUMBING =
  /(?:\.(?:split|join|replace|replaceAll|includes|startsWith|endsWith|get|set|has|querySelector|querySelectorAll|getItem|setItem|removeItem|padStart|addEventListener|removeEventListener)|^(?:import|require))$/;
const OF_SCHEMA = /^z\s*\./;
const FAULTS = /^(?:RangeError|TypeError|SyntaxError|Error|RegExp|Intl\..*)$/;
/** Properties that hold what no reader is told. */
const MUTE_NAMES =
  /^(?:aliases|source|icon|viewBox|d|points|transform|strokeDasharray|style|className|accept|fontFamily|rel|id|key|type|testID)$/;

const LETTERS = /\p{L}{2}/u;
/** A sentence, or a word with a capital: anything else may be a name inside the program. */
const SENTENCE = /\p{L}[\p{L}’.,:;!?)%”]* [^ ]|^\p{Lu}\p{Ll}+$/u;
const MARKUP =
  /[<>]\/?\w|^[[.#/]|^M-?\d|^\n?@|\{[^}]*;|^[A-Z][a-z]+(?:[A-Z][a-z]+)+$|^\p{Ll}+-|^-\/\/|=\w|^\(prefers|^input\b|^\d+px/u;

/** What a command is typed with. */
const IN_COMMANDS = /^[-<[(]|^\p{Ll}+$|^[a-z]+ (?:<|\[)/u;

export interface Sources {
  /** Texts that a reader meets, and where the first of each stands. */
  needed: ReadonlyMap<string, string>;
  /** Every word and sentence that stands in the sources at all. */
  written: ReadonlySet<string>;
}

/** The same as it is kept between runs. */
interface Kept {
  hash: string;
  needed: [text: string, at: string][];
  written: string[];
}

const hasText = (type: ts.Type | undefined): boolean =>
  type !== undefined &&
  (type.isUnion() ? type.types : [type]).some((one) => one.getProperty('text') && one.getProperty('values'));

const tidy = (text: string): string => text.trim().replace(/\s*\n\s*/g, ' ');

const isLiteral = (node: ts.Node): node is ts.StringLiteralLike =>
  ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node);

const calledBy = (node: ts.Node): string =>
  ts.isCallExpression(node.parent) ? node.parent.expression.getText() : '';

const nameOf = (node: ts.Node): string =>
  (ts.isPropertyAssignment(node) || ts.isJsxAttribute(node)) && node.name ? node.name.getText() : '';

/** Whether a literal is told to nobody, by where it stands. */
function isMute(node: ts.StringLiteralLike): boolean {
  const { parent } = node;
  if (ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent) || ts.isLiteralTypeNode(parent))
    return true;
  if (ts.isElementAccessExpression(parent) || ts.isCaseClause(parent) || ts.isBinaryExpression(parent))
    return ts.isBinaryExpression(parent)
      ? [ts.SyntaxKind.EqualsEqualsEqualsToken, ts.SyntaxKind.ExclamationEqualsEqualsToken].includes(
          parent.operatorToken.kind,
        )
      : true;
  if (ts.isNewExpression(parent)) return FAULTS.test(parent.expression.getText());
  return MUTE_NAMES.test(nameOf(parent)) || PLUMBING.test(calledBy(node));
}

/** The texts of one project. */
function read(
  project: string,
  done: Set<string>,
  add: (text: string, at: string, needed: boolean) => void,
): void {
  const config = ts.readConfigFile(join(ROOT, project, 'tsconfig.json'), (path) => ts.sys.readFile(path));
  const { fileNames, options } = ts.parseJsonConfigFileContent(config.config, ts.sys, join(ROOT, project));
  const program = ts.createProgram(fileNames, { ...options, noEmit: true, incremental: false });
  const checker = program.getTypeChecker();

  for (const source of program.getSourceFiles()) {
    const file = relative(ROOT, source.fileName);
    if (done.has(file) || !SPOKEN.test(file) || TEST.test(file)) continue;
    done.add(file);
    const isTold = (node: ts.StringLiteralLike): boolean => {
      if (!LETTERS.test(node.text) || isMute(node)) return false;
      const { parent } = node;
      if (ts.isPropertyAssignment(parent) && parent.name === node) return false;
      if (SAYERS.has(calledBy(node)) && ts.isCallExpression(parent)) return parent.arguments[0] === node;
      if (hasText(checker.getContextualType(node))) return true;
      if (UNSPOKEN.test(file)) return false;
      // The server says nothing by itself but refusals, and those of its own schemas.
      if (file.startsWith('apps/server')) return OF_SCHEMA.test(calledBy(node)) && SENTENCE.test(node.text);
      if (file.startsWith('tools/') && IN_COMMANDS.test(node.text)) return false;
      if (file.includes('ingredient/catalogue/') && !/^\p{Lu}/u.test(node.text)) return false;
      return SENTENCE.test(node.text) && !MARKUP.test(node.text);
    };
    const visit = (node: ts.Node): void => {
      const at = () => `${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}`;
      if (ts.isJsxText(node) && LETTERS.test(node.text)) add(tidy(node.text), at(), true);
      else if (isLiteral(node)) add(node.text, at(), isTold(node));
      else if (ts.isIdentifier(node) && ts.isPropertyAssignment(node.parent)) add(node.text, at(), false);
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
}

function collect(): Sources {
  const needed = new Map<string, string>();
  const written = new Set<string>();
  const done = new Set<string>();
  for (const project of PROJECTS) {
    read(project, done, (text, at, isNeeded) => {
      written.add(text);
      if (isNeeded && !needed.has(text)) needed.set(text, at);
    });
  }
  return { needed, written };
}

const CACHE = join(ROOT, '.cache/words.json');
/** The sources, and these rules themselves. */
const hashOfSources = (): string =>
  hashOf(
    [
      ...PROJECTS.flatMap((project) => filesBelow(join(ROOT, project))).filter((file) =>
        /\.tsx?$/.test(file),
      ),
      join(ROOT, 'tools/words/sources.ts'),
    ],
    ROOT,
  );

/** Every source that speaks to a person, read anew when one has changed: the compiler takes its time over them. */
export function textsOfSources(): Sources {
  const hash = hashOfSources();
  if (existsSync(CACHE)) {
    const kept = JSON.parse(readFileSync(CACHE, 'utf8')) as Kept;
    if (kept.hash === hash) return { needed: new Map(kept.needed), written: new Set(kept.written) };
  }
  const { needed, written } = collect();
  const kept: Kept = { hash, needed: [...needed], written: [...written] };
  mkdirSync(dirname(CACHE), { recursive: true });
  writeFileSync(CACHE, JSON.stringify(kept));
  return { needed, written };
}
