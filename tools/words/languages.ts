import type { Language } from '@kettle-scale/core/message';
import { join } from 'node:path';
import { readLanguages } from '../../apps/server/src/http/languages';
import { ROOT } from '../install.mjs';

/** Every language that there is a file of, as the server reads them. */
export const languages = (): Language[] => readLanguages(join(ROOT, 'languages'));
