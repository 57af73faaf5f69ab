import { type Language, languageSchema, parseInput } from '@kettle-scale/core/message';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { filesBelow } from '../files';
import { ROOT } from '../install.mjs';

const FOLDER = join(ROOT, 'languages');

/** Every language that there is a file of. */
export const languages = (): Language[] =>
  filesBelow(FOLDER)
    .filter((file) => file.endsWith('.json'))
    .map((file) => parseInput(languageSchema, JSON.parse(readFileSync(file, 'utf8')), file));
