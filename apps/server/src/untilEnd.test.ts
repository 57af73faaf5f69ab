import { setImmediate } from 'node:timers/promises';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { openEnd } from './untilEnd';

const GONE = new Error('gone');

test('an answer comes as it is; who waits when it ends, or asks after, hears why', async () => {
  const { before, end } = openEnd();
  expect(await before(Promise.resolve(7))).toBe(7);
  await expect(before(Promise.reject(new Error('refused')))).rejects.toThrow('refused');
  const waits = before(new Promise(() => undefined));
  end(GONE);
  await expect(waits).rejects.toBe(GONE);
  await expect(before(Promise.resolve(7))).rejects.toBe(GONE);
});

test('an answer that was given is held by nobody, however long the end is away', async () => {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  const { before } = openEnd();
  const ask = async () => new WeakRef(await before(Promise.resolve({ large: true })));
  const given = await ask();
  // What a WeakRef is made of lives until the turn that made it is over.
  await setImmediate();
  collect();
  expect(given.deref() === undefined).toBe(true);
});
