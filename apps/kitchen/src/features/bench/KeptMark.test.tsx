import { screen } from '@testing-library/react';
import { type Health, api } from '../../api/api';
import { queryClient } from '../../api/queries';
import { draw } from '../../test/liveBatch';
import { KeptMark } from './KeptMark';

test('a server that answers but cannot save is not said to be out of reach', async () => {
  jest.spyOn(api, 'health').mockRejectedValue(new TypeError('no network'));
  const { unmount } = draw(<KeptMark notKept={false} />);
  expect(screen.getByText('offline, kept here')).toBeTruthy();
  unmount();
  queryClient.clear();
  const trouble = { status: 'trouble', problems: ['The disk of the kitchen’s server is full.'] };
  jest.spyOn(api, 'health').mockResolvedValue(trouble as Health);
  draw(<KeptMark notKept={false} />);
  expect(await screen.findByText('kept here for now')).toBeTruthy();
  draw(<KeptMark notKept />);
  expect(screen.getByText('not kept yet')).toBeTruthy();
});
