import { runKettle } from './kettle/cli';
import { languages } from './words/languages';

process.exitCode = await runKettle(process.argv.slice(2), {
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
  languages: languages(),
  from: process.env.INIT_CWD ?? process.cwd(),
});
