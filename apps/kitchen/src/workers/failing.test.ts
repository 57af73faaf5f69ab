import { InputError } from '@kettle-scale/core/message';
import { startAlarmClock } from './alarmClock';
import { askWorker } from './background';
import { readFile } from './readFile';

/** A worker whose file does not load, as after an update of the server under an open page. */
class BrokenWorker {
  onerror: (() => void) | null = null;
  postMessage = (): void => void setTimeout(() => this.onerror?.(), 0);
  terminate = (): void => undefined;
}
beforeEach(() => Object.assign(globalThis, { Worker: BrokenWorker }));
afterEach(() => Reflect.deleteProperty(globalThis, 'Worker'));

test('what is asked in the background says that it could not be worked out', async () => {
  await expect(askWorker('times', {} as never)).rejects.toThrow(/could not be worked out/);
});

test('a file says that it could not be read', async () => {
  await expect(readFile('500 g flour', [])).rejects.toBeInstanceOf(InputError);
});

test('an alarm rings by the page’s own timer', async () => {
  await new Promise<void>((resolve) => {
    startAlarmClock(Date.now() + 20, resolve);
  });
});
