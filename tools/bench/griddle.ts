import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import type { Measured } from '../bench';
import { ROOT } from '../install.mjs';

/**
 * Bars of the griddle model in Node, on code bundled as one classic script, as the app's worker is: run file by file through
 * a loader, every call goes through a getter and a bake takes more than twice as long; as a module Node 20 takes a quarter
 * more, which browsers do not.
 */
export async function benchGriddle(): Promise<Measured[]> {
  const outfile = join(ROOT, '.cache', 'bench', 'griddle.cjs');
  await build({
    entryPoints: [join(ROOT, 'tools', 'bench', 'griddleRun.ts')],
    ...{
      bundle: true,
      platform: 'node',
      format: 'cjs',
      define: { 'import.meta.url': JSON.stringify(import.meta.url) },
      outfile,
      logLevel: 'error',
    },
  });
  const { runGriddle } = (await import(pathToFileURL(outfile).href)) as { runGriddle: () => Measured[] };
  return runGriddle();
}
