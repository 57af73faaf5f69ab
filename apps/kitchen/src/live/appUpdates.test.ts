import { followUpdates } from './appUpdates';

/** A browser's register of service workers with one new version that can be made to wait. */
function browser(controlled = true) {
  const container = Object.assign(new EventTarget(), {
    controller: controlled ? {} : null,
    register: () => Promise.resolve(registration),
  });
  const waiting = { postMessage: jest.fn(() => container.dispatchEvent(new Event('controllerchange'))) };
  const installing = Object.assign(new EventTarget(), { state: 'installing' });
  const registration = Object.assign(new EventTarget(), {
    waiting: null as unknown,
    installing: null as unknown,
  });
  const reload = jest.fn();
  const updates = followUpdates(container as unknown as ServiceWorkerContainer, reload);
  const install = async () => {
    await Promise.resolve();
    registration.installing = installing;
    registration.dispatchEvent(new Event('updatefound'));
    registration.waiting = waiting;
    installing.state = 'installed';
    installing.dispatchEvent(new Event('statechange'));
  };
  return { updates, install, reload, waiting };
}

test('a new version waits while a batch is on the screen, and is taken when it is left', async () => {
  const { updates, install, reload, waiting } = browser();
  const told = jest.fn();
  updates.subscribe(told);
  updates.at('/bench/019a');
  await install();
  expect(waiting.postMessage).not.toHaveBeenCalled();
  expect(updates.waits()).toBe(true);
  expect(told).toHaveBeenCalledTimes(1);
  updates.at('/griddle/live/019a');
  expect(reload).not.toHaveBeenCalled();
  updates.at('/shift');
  expect(waiting.postMessage).toHaveBeenCalledWith({ type: 'SKIP_WAITING' });
  expect(reload).toHaveBeenCalledTimes(1);
  expect(updates.waits()).toBe(false);
  updates.at('/log');
  expect(waiting.postMessage).toHaveBeenCalledTimes(1);
});

test('the very first version begins nothing anew', async () => {
  const { updates, install, reload } = browser(false);
  updates.at('/shift');
  await install();
  expect(reload).not.toHaveBeenCalled();
});
