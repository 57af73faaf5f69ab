import { act, screen, waitFor } from '@testing-library/react';
import { type Health, Refused, api } from '../../api/api';
import { queryClient } from '../../api/queries';
import { draw } from '../../test/liveBatch';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { ring } from '../../ui/alarm/alarm';
import { HealthBanner } from './HealthBanner';

const ok: Health = {
  ...{ status: 'ok', version: '1', demo: false, sandbox: false, problems: [] },
  ...{ lastWriteAt: null, freeBytes: 1e9, backup: null },
};
const answers = (health: Health) => jest.spyOn(api, 'health').mockResolvedValue(health);
beforeEach(() => {
  queryClient.clear();
  jest.spyOn(api, 'access').mockResolvedValue({ role: 'lead', phone: null, network: null });
});

test('says on every screen that the server cannot save, in its words', async () => {
  answers({ ...ok, status: 'trouble', problems: ['The disk of the kitchen’s server is full.'] });
  draw(<HealthBanner />);
  const alert = await screen.findByRole('alert');
  expect(alert.textContent).toMatch(/disk .* is full\.\s.*kept on this device/);
});

test('what is over is no longer told a few seconds later', async () => {
  jest.useFakeTimers();
  answers({ ...ok, status: 'trouble', problems: ['The disk of the kitchen’s server is full.'] });
  draw(<HealthBanner />);
  await act(() => jest.advanceTimersByTimeAsync(100));
  expect(screen.getByRole('alert')).toBeTruthy();
  answers(ok);
  await act(() => jest.advanceTimersByTimeAsync(6000));
  expect(screen.queryByRole('alert')).toBeNull();
  jest.useRealTimers();
});

test('says that the server is away, and that what is shown may be old', async () => {
  jest.spyOn(api, 'health').mockRejectedValue(new Refused(404, 'Gone.', []));
  draw(<HealthBanner />);
  const alert = await screen.findByRole('alert');
  expect(alert.textContent).toMatch(/does not answer: this is what was last known\.\s.*kept on this device/);
});

test('says before anything is lost that this phone has no room, and what could not be kept', async () => {
  answers(ok);
  const estimate = jest.fn().mockResolvedValue({ usage: 95, quota: 100 });
  Object.assign(navigator, { storage: { estimate } });
  draw(<HealthBanner />);
  expect((await screen.findByRole('alert')).textContent).toMatch(/nearly no room left .* before you work/);
  expect(screen.queryByText(/kept on this device/)).toBeNull();
  const full = { ...kitchenQueue.state(), notKept: true };
  jest.spyOn(kitchenQueue, 'state').mockReturnValue(full);
  draw(<HealthBanner />);
  expect(screen.getByText(/could not keep what you did: leave this page open/)).toBeTruthy();
  jest.restoreAllMocks();
  Object.assign(navigator, { storage: undefined });
});

test('says nothing while all is well', async () => {
  const asked = answers(ok);
  draw(<HealthBanner />);
  await waitFor(() => expect(asked).toHaveBeenCalled());
  expect(screen.queryByRole('alert')).toBeNull();
});

test('an alarm vibrates only after a touch: browsers complain of anything earlier', () => {
  const vibrate = jest.fn();
  Object.assign(navigator, { vibrate });
  Object.defineProperty(navigator, 'userActivation', { value: { hasBeenActive: false }, configurable: true });
  ring(false)();
  expect(vibrate).not.toHaveBeenCalled();
  Object.defineProperty(navigator, 'userActivation', { value: { hasBeenActive: true }, configurable: true });
  ring(false)();
  expect(vibrate).toHaveBeenCalledWith([200, 100, 200]);
  Reflect.deleteProperty(navigator, 'userActivation');
});
