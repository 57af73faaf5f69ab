// Holds every language against the sources: what has no entry, what is said nowhere, which holes and terms differ.
import { troublesOf } from './words/compare';
import { languages } from './words/languages';
import { textsOfSources } from './words/sources';

const sources = textsOfSources();
const all = languages();
const troubles = all.flatMap((language) => troublesOf(language, sources));
if (troubles.length > 0) process.stdout.write(`${troubles.join('\n')}\n`);
process.stdout.write(
  `${sources.needed.size} texts in ${all.length + 1} languages, ${troubles.length} wrong\n`,
);
process.exitCode = troubles.length === 0 ? 0 : 1;
