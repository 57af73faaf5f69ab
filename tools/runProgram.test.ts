import { runProgram } from './runProgram';

const node = (code: string, limitMs?: number) =>
  runProgram(process.execPath, ['-e', code], { FORCE_COLOR: '0' }, limitMs);
/** Goes on for good, with the output of whoever began it. */
const LEFT_BEHIND = `require('node:child_process').spawn(process.execPath, ['-e', 'setInterval(() => {}, 1000)'], { stdio: 'inherit' });`;

test('what a program says and how it ended is told; who it leaves behind ends with it', async () => {
  expect(await node(`console.log('said'); process.exit(3)`)).toEqual({ ok: false, output: 'said\n' });
  expect(await node(`${LEFT_BEHIND} console.log('said'); process.exit(0)`)).toEqual({
    ok: true,
    output: 'said\n',
  });
});

test('a program that hangs is ended, with all that it began, and says so', async () => {
  const { ok, output } = await node(`${LEFT_BEHIND} console.log('begun')`, 1000);
  expect(ok).toBe(false);
  expect(output).toMatch(/^begun\n[^]* hung: ended after 1 s\.\n$/);
});
