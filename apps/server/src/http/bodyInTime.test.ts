import { EventEmitter } from 'node:events';
import type { Request, Response } from 'express';
import { atItsOwnPace, bodyInTime } from './bodyInTime';

const MS = 1000;
/** A request as far as its time is looked after: whether all of it has come. */
function asked(complete: boolean) {
  const request = Object.assign(new EventEmitter(), { complete, destroy: jest.fn() });
  bodyInTime(MS)(request as unknown as Request, {} as Response, () => undefined);
  return request;
}

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

test('who does not bring the rest is let go; a stream that was asked for in whole goes on for hours', () => {
  const [half, stream] = [asked(false), asked(true)];
  jest.advanceTimersByTime(MS);
  expect(half.destroy).toHaveBeenCalledTimes(1);
  jest.advanceTimersByTime(3600 * MS);
  expect(stream.destroy).not.toHaveBeenCalled();
});

test('who has time of their own, or is gone, is left alone', () => {
  const [backup, gone] = [asked(false), asked(false)];
  atItsOwnPace(backup as unknown as Request);
  gone.emit('close');
  jest.advanceTimersByTime(10 * MS);
  expect([backup.destroy, gone.destroy].flatMap(({ mock }) => mock.calls)).toEqual([]);
});
