import { runKettle } from './kettle/cli';

process.exitCode = await runKettle(process.argv.slice(2), {
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
  from: process.env.INIT_CWD ?? process.cwd(),
});
