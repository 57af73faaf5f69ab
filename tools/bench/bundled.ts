import { basename, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import type { Measured } from '../bench';
import { ROOT } from '../install.mjs';

/**
 * A bench of core in Node, on code bundled as one classic script, as the app's worker is: run file by file through a loader,
 * every call goes through a getter and a bake takes more than twice as long; as a module Node 20 takes a quarter more, which
 * browsers do not.
 * @param file beside this one; gives its bench as `run`
 */
export async function runBundled(file: string): Promise<Measured[]> {
  const outfile = join(ROOT, '.cache', 'bench', `${basename(file, '.ts')}.cjs`);
  await build({
    entryPoints: [join(import.meta.dirname, file)],
    ...{ bundle: true, platform: 'node', format: 'cjs', outfile, logLevel: 'error' },
    define: { 'import.meta.url': JSON.stringify(import.meta.url) },
  });
  const { run } = (await import(pathToFileURL(outfile).href)) as { run: () => Measured[] };
  return run();
}
